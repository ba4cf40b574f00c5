// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QObject>
#include <QStringList>
#include <QVariantMap>

namespace deft::ui {

/// The program's place on the session bus: there is one window over the coach's own library, and a second start hands
/// its files to it (the interface org.freedesktop.Application of the Desktop Entry Specification). Without a bus, as on
/// a bare display, every start stands for itself.
class DesktopLink : public QObject {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.Application")
public:
    explicit DesktopLink(QObject* parent = nullptr) : QObject(parent) {}

    /// @return false where another program has the place, or there is no bus
    bool take();
    /// Asks the program that has the place to come forward with these files. @return false where nobody has it
    static bool handOver(const QStringList& files);
    /// A word that is seen although the window is not; nothing where the desktop shows none. Says no name: it may
    /// stand on a locked screen.
    static void notify(const QString& summary, const QString& body);

public slots: // as the interface names them
    Q_SCRIPTABLE void Activate(const QVariantMap& platform);
    Q_SCRIPTABLE void Open(const QStringList& uris, const QVariantMap& platform);
    Q_SCRIPTABLE void ActivateAction(const QString& action, const QVariantList& arguments, const QVariantMap& platform);

signals:
    void wanted(const QStringList& files); ///< come forward, and open these
};

} // namespace deft::ui
