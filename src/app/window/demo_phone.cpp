#include "app/window/demo_phone.h"

#include "app/window/demo.h"

namespace deft::ui {
namespace {

constexpr int kFirst_ms = 20'000, kLater_ms = 90'000;

bool isThere(const Library& library, const Parcel& parcel) {
    for (const Client& c : library.clients())
        if (c.name == parcel.client)
            for (const Clip& clip : library.clipsOf(c.id))
                if (clip.draft.exercise == parcel.exercise && clip.draft.date == parcel.sent) return true;
    return false;
}

} // namespace

DemoPhone::DemoPhone(const Library& library, const std::filesystem::path& inbox, QObject* parent)
    : QObject(parent), service_(inbox) {
    const auto folder = demoFolder();
    const auto list = readJsonFile(folder / "phone.json");
    const quint16 port = service_.listen();
    if (!list || !expectFormat(*list, "deft-mirror-demo-phone", 1, "phone.json") || port == 0)
        return; // the demo works without phones
    for (const Json& one : list->value("parcels", Json::array())) {
        auto parcel = parseParcel(one, (folder / "phone.json").string());
        if (parcel && !isThere(library, *parcel)) parcels_.emplace_back(folder / "clips" / parcel->clip, *parcel);
    }
    phone_ = std::make_unique<SimulatedPhone>(QUrl(QStringLiteral("http://127.0.0.1:%1").arg(port)));
    connect(phone_.get(), &SimulatedPhone::failed, this,
            [this](const QString& why) { emit said(tr("The simulated phone could not send its clip: %1.").arg(why)); });
    soon_.setSingleShot(true);
    connect(&soon_, &QTimer::timeout, this, &DemoPhone::sendNext);
    if (!parcels_.empty()) soon_.start(kFirst_ms);
}

void DemoPhone::sendNext() {
    if (parcels_.empty()) return emit said(tr("The simulated phones have sent all their clips."));
    const auto [clip, parcel] = parcels_.front();
    parcels_.pop_front();
    emit said(tr("A clip of %1 is coming in from a simulated phone.").arg(QString::fromStdString(parcel.client)));
    phone_->send(clip, parcel);
    if (!parcels_.empty()) soon_.start(kLater_ms);
}

} // namespace deft::ui
