// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/simulated_phone.h"

#include "base/json.h"

#include <QNetworkReply>
#include <QTimer>

namespace deft {
namespace {
constexpr qint64 kPiece = 256 * 1024; // bytes
constexpr int kTries = 5, kPause_ms = 200;
} // namespace

SimulatedPhone::SimulatedPhone(QUrl service, QObject* parent) : QObject(parent), service_(std::move(service)) {}

void SimulatedPhone::send(const std::filesystem::path& clip, const Parcel& parcel, const std::string& token) {
    waiting_.push_back({clip, parcel, token});
    if (!file_) next();
}

void SimulatedPhone::next() {
    if (waiting_.empty()) return;
    const auto [clip, parcel, token] = std::move(waiting_.front());
    token_ = QByteArray::fromStdString(token);
    waiting_.pop_front();
    file_ = std::make_unique<QFile>(QString::fromStdString(clip.string()));
    tries_ = 0;
    if (!file_->open(QIODevice::ReadOnly)) return end(tr("%1 cannot be read").arg(file_->fileName()));
    create(parcel);
}

QNetworkRequest SimulatedPhone::request(const QUrl& url) const {
    QNetworkRequest r(url);
    r.setRawHeader("Tus-Resumable", "1.0.0");
    r.setRawHeader("Authorization", "Bearer " + token_);
    return r;
}

void SimulatedPhone::create(const Parcel& parcel) {
    QNetworkRequest r = request(service_.resolved(QUrl(QStringLiteral("/uploads"))));
    r.setRawHeader("Upload-Length", QByteArray::number(file_->size()));
    r.setRawHeader("Upload-Metadata", "parcel " + QByteArray::fromStdString(toText(toJson(parcel))).toBase64());
    r.setHeader(QNetworkRequest::ContentTypeHeader, "application/offset+octet-stream");
    QNetworkReply* reply = net_.post(r, QByteArray());
    connect(reply, &QNetworkReply::finished, this, [this, reply] {
        reply->deleteLater();
        if (reply->error() != QNetworkReply::NoError) {
            const QByteArray why = reply->readAll();
            return end(why.isEmpty() ? reply->errorString() : QString::fromUtf8(why));
        }
        upload_ = service_.resolved(QUrl(QString::fromLatin1(reply->rawHeader("Location"))));
        piece(0);
    });
}

void SimulatedPhone::ask() {
    if (++tries_ > kTries) return end(tr("the line stays broken"));
    ++resumed_;
    QNetworkReply* reply = net_.head(request(upload_));
    connect(reply, &QNetworkReply::finished, this, [this, reply] {
        reply->deleteLater();
        if (reply->error() == QNetworkReply::NoError) return piece(reply->rawHeader("Upload-Offset").toLongLong());
        QTimer::singleShot(kPause_ms, this, &SimulatedPhone::ask);
    });
}

void SimulatedPhone::piece(qint64 offset) {
    if (offset >= file_->size()) {
        emit sent();
        return end();
    }
    file_->seek(offset);
    QNetworkRequest r = request(upload_);
    r.setRawHeader("Upload-Offset", QByteArray::number(offset));
    r.setHeader(QNetworkRequest::ContentTypeHeader, "application/offset+octet-stream");
    const bool breaks = breakAfter_ >= 0 && offset >= breakAfter_;
    QNetworkReply* reply = net_.sendCustomRequest(r, "PATCH", file_->read(kPiece));
    connect(reply, &QNetworkReply::finished, this, [this, reply] {
        reply->deleteLater();
        if (reply->error() != QNetworkReply::NoError) return ask();
        piece(reply->rawHeader("Upload-Offset").toLongLong());
    });
    if (breaks) {
        breakAfter_ = -1;
        reply->abort();
    }
}

void SimulatedPhone::end(const QString& trouble) {
    file_.reset();
    if (!trouble.isEmpty()) emit failed(trouble);
    next();
}

} // namespace deft

#include "moc_simulated_phone.cpp"
