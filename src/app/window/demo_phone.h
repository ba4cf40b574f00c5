// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "devices/simulated_phone.h"
#include "devices/upload_service.h"
#include "store/library.h"

#include <QDate>
#include <QTimer>

namespace deft::ui {

/// In the demo, clients' phones send a few more clips while the window is open: through the upload service into the
/// inbox, as real ones would. Clips that have come before do not come again.
class DemoPhone : public QObject {
    Q_OBJECT
public:
    /// @param inbox where the upload service puts what it gets
    DemoPhone(const Library& library, const std::filesystem::path& inbox, const QDate& today,
              QObject* parent = nullptr);
    void sendNext();
    int left() const { return int(parcels_.size()); } ///< still to be sent

signals:
    void said(const QString& sentence);

private:
    UploadService service_;
    std::unique_ptr<SimulatedPhone> phone_;
    struct Prepared {
        std::filesystem::path clip;
        Parcel parcel;
        std::string token;
    };
    std::deque<Prepared> parcels_;
    QTimer soon_;
};

} // namespace deft::ui
