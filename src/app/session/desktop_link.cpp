// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/desktop_link.h"

#include <QCoreApplication>
#include <QDBusConnection>
#include <QDBusConnectionInterface>
#include <QDBusMessage>
#include <QProcess>
#include <QUrl>

namespace deft::ui {
namespace {

const QString kName = QStringLiteral("org.deft_mirror.DeftMirror");
const QString kPlace = QStringLiteral("/org/deft_mirror/DeftMirror");
const QString kInterface = QStringLiteral("org.freedesktop.Application");
constexpr int kPatience_ms = 5000; // for a window that is busy

} // namespace

bool DesktopLink::take() {
    QDBusConnection bus = QDBusConnection::sessionBus();
    return bus.isConnected() && bus.registerObject(kPlace, this, QDBusConnection::ExportScriptableSlots) &&
           bus.registerService(kName);
}

bool DesktopLink::handOver(const QStringList& files) {
    const QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected() || !bus.interface()->isServiceRegistered(kName)) return false;
    auto call = QDBusMessage::createMethodCall(kName, kPlace, kInterface,
                                               files.isEmpty() ? QStringLiteral("Activate") : QStringLiteral("Open"));
    if (!files.isEmpty()) {
        QStringList uris;
        for (const QString& file : files) uris << QUrl::fromLocalFile(file).toString();
        call << uris;
    }
    call << QVariantMap{{QStringLiteral("activation-token"), qEnvironmentVariable("XDG_ACTIVATION_TOKEN")}};
    return bus.call(call, QDBus::Block, kPatience_ms).type() == QDBusMessage::ReplyMessage;
}

void DesktopLink::notify(const QString& summary, const QString& body) {
    const QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected()) return;
    auto call = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("/org/freedesktop/Notifications"),
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
    call << QStringLiteral("Deft Mirror") << 0u << kName << summary << body << QStringList{}
         << QVariantMap{{QStringLiteral("desktop-entry"), kName}} << -1;
    bus.send(call);
}

void DesktopLink::Activate(const QVariantMap& platform) { Open({}, platform); }

void DesktopLink::Open(const QStringList& uris, const QVariantMap& platform) {
    if (const QString token = platform.value(QStringLiteral("activation-token")).toString(); !token.isEmpty())
        qputenv("XDG_ACTIVATION_TOKEN", token.toUtf8());
    QStringList files;
    for (const QString& uri : uris)
        if (const QUrl url(uri); url.isLocalFile()) files << url.toLocalFile();
    emit wanted(files);
}

void DesktopLink::ActivateAction(const QString& action, const QVariantList&, const QVariantMap& platform) {
    if (action == QLatin1String("demo"))
        QProcess::startDetached(QCoreApplication::applicationFilePath(), {QStringLiteral("--demo")});
    else
        Activate(platform);
}

} // namespace deft::ui

#include "moc_desktop_link.cpp"
