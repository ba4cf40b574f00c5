// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "records/parcel.h"

#include <QFile>
#include <QNetworkAccessManager>
#include <QObject>
#include <QUrl>
#include <deque>
#include <filesystem>

namespace deft {

/// Stand-in for clients' phones: sends clips that ship with the demo to the upload service, piece by piece, over a line
/// that may break; it asks then how far the clip has come, and goes on from there.
class SimulatedPhone : public QObject {
    Q_OBJECT
public:
    explicit SimulatedPhone(QUrl service, QObject* parent = nullptr);

    /// Takes one more parcel to send. @param clip the file; the parcel's own `clip` is the name it is sent under
    /// @param token the client's own, see UploadService::tokenFor
    void send(const std::filesystem::path& clip, const Parcel& parcel, const std::string& token);
    bool isIdle() const { return !file_ && waiting_.empty(); }
    /// Drops the line once after so many bytes of the next clip.
    void breakLineAfter(qint64 bytes) { breakAfter_ = bytes; }
    int resumed() const { return resumed_; } ///< how often it has gone on after a break

signals:
    void sent();
    void failed(const QString& sentence);

private:
    void next();
    void create(const Parcel& parcel);
    void ask(); ///< how far the clip has come
    void piece(qint64 offset);
    void end(const QString& trouble = {});
    QNetworkRequest request(const QUrl& url) const;

    QNetworkAccessManager net_;
    QUrl service_, upload_;
    struct Waiting {
        std::filesystem::path clip;
        Parcel parcel;
        std::string token;
    };
    std::deque<Waiting> waiting_;
    QByteArray token_; ///< of what is being sent
    std::unique_ptr<QFile> file_;
    qint64 breakAfter_ = -1;
    int resumed_ = 0, tries_ = 0;
};

} // namespace deft
