// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/demo_phone.h"

#include "app/theme/words.h"

#include "app/window/demo.h"
#include "base/files.h"
#include "base/json.h"

#include <QUuid>

namespace deft::ui {
namespace {

constexpr int kFirst_ms = 20'000, kLater_ms = 90'000;

bool isThere(const Library& library, const Parcel& parcel, const std::string& sha256) {
    for (const Client& c : library.clientsLike(parcel.client))
        for (const Clip& clip : library.clipsOf(c.id))
            if (clip.draft.exercise == parcel.exercise && clip.draft.clipSha256 == sha256) return true;
    return false;
}

} // namespace

DemoPhone::DemoPhone(const Library& library, const std::filesystem::path& inbox, const QDate& today, QObject* parent)
    : QObject(parent), service_(library.catalogue(), inbox) {
    const auto folder = demoFolder();
    const auto list = readJsonFile(folder / "phone.json");
    const quint16 port = service_.listen();
    if (!list || !expectFormat(*list, "deft-mirror-demo-phone", 1, "phone.json") || port == 0)
        return; // the demo works without phones
    const auto shift = demoShift(*list, today);
    if (!shift) return;
    for (const Json& one : list->value("parcels", Json::array())) {
        auto parcel = parseParcel(*library.catalogue(), one, (folder / "phone.json").string());
        if (!parcel) continue;
        for (std::string* day : {&parcel->sent, &parcel->answerBy}) *day = shiftedDay(*day, *shift);
        if (parcel->consent) parcel->consent->given = shiftedDay(parcel->consent->given, *shift);
        const auto clip = folder / "clips" / parcel->clip;
        if (isThere(library, *parcel, sha256OfFile(clip).value_or(""))) continue;
        // Everybody's phone has been set up by the coach, who gave it the client's own token.
        const auto known = library.clientsLike(parcel->client);
        parcel->clientUid =
            known.empty() ? QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString() : known.front().uid;
        parcels_.push_back({clip, *parcel, service_.tokenFor(parcel->clientUid)});
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
    const auto [clip, parcel, token] = parcels_.front();
    parcels_.pop_front();
    emit said(tr("A clip of %1 is coming in from a simulated phone.").arg(QString::fromStdString(parcel.client)));
    phone_->send(clip, parcel, token);
    if (!parcels_.empty()) soon_.start(kLater_ms);
}

} // namespace deft::ui

#include "moc_demo_phone.cpp"
