#include "devices/upload_service.h"

#include "base/files.h"
#include "base/json.h"
#include "review/parcel.h"

#include <QFile>
#include <QHttpServer>
#include <QHttpServerResponse>
#include <QUuid>

namespace deft {
namespace fs = std::filesystem;

using Status = QHttpServerResponse::StatusCode;

struct UploadService::Reply {
    Status status = Status::NoContent;
    QByteArray words;
    std::vector<std::pair<QByteArray, QByteArray>> headers{};

    QHttpServerResponse response() const {
        QHttpServerResponse r("text/plain", words, status);
        r.addHeader("Tus-Resumable", "1.0.0");
        for (const auto& [name, value] : headers) r.addHeader(name, value);
        return r;
    }
};

namespace {

/// The parcel out of "name value,parcel <base64>".
QByteArray parcelOf(const QByteArray& metadata) {
    for (const QByteArray& pair : metadata.split(','))
        if (const QByteArray trimmed = pair.trimmed(); trimmed.startsWith("parcel "))
            return QByteArray::fromBase64(trimmed.mid(7));
    return {};
}

} // namespace

UploadService::UploadService(fs::path inbox, QObject* parent) : QObject(parent), inbox_(std::move(inbox)) {
    std::error_code ec;
    fs::create_directories(inbox_ / ".uploads", ec);
    server_ = std::make_unique<QHttpServer>();
    using Request = const QHttpServerRequest&;
    using Method = QHttpServerRequest::Method;
    server_->route(QStringLiteral("/uploads"), Method::Post, [this](Request r) {
        bool known = false;
        const qint64 length = r.value("Upload-Length").toLongLong(&known);
        return (known ? create(length, r.value("Upload-Metadata"))
                      : Reply{Status::BadRequest, "Upload-Length is missing"})
            .response();
    });
    server_->route(QStringLiteral("/uploads/<arg>"), Method::Head,
                   [this](const QString& id, Request) { return tell(id).response(); });
    server_->route(QStringLiteral("/uploads/<arg>"), Method::Patch, [this](const QString& id, Request r) {
        bool known = false;
        const qint64 offset = r.value("Upload-Offset").toLongLong(&known);
        return (known ? add(id, offset, r.body()) : Reply{Status::BadRequest, "Upload-Offset is missing"}).response();
    });
}

UploadService::~UploadService() = default;

quint16 UploadService::listen(quint16 port) { return server_->listen(QHostAddress::LocalHost, port); }

fs::path UploadService::part(const QString& id) const { return inbox_ / ".uploads" / (id.toStdString() + ".part"); }
fs::path UploadService::parcel(const QString& id) const { return inbox_ / ".uploads" / (id.toStdString() + ".json"); }

UploadService::Reply UploadService::create(qint64 length, const QByteArray& metadata) {
    if (length <= 0 || length > kLargest) return {Status::PayloadTooLarge, "the clip is empty or larger than 8 GB"};
    Json json = Json::parse(parcelOf(metadata).toStdString(), nullptr, false);
    const auto parsed = parseParcel(json, "parcel");
    if (!parsed) return {Status::BadRequest, QByteArray::fromStdString(parsed.error().detail)};
    json["length"] = length;
    const QString id = QUuid::createUuid().toString(QUuid::Id128);
    QFile empty(QString::fromStdString(part(id).string()));
    if (!empty.open(QIODevice::WriteOnly) || !writeFileAtomically(parcel(id), toText(json)))
        return {Status::InternalServerError, "there is no room for the clip"};
    return {Status::Created, {}, {{"Location", "/uploads/" + id.toLatin1()}}};
}

UploadService::Reply UploadService::tell(const QString& id) const {
    qint64 come = 0, length = 0;
    if (const auto whole = whole_.find(id); whole != whole_.end()) {
        come = length = whole->second; // the sender may have missed the last reply
    } else if (const auto json = readJsonFile(parcel(id))) {
        std::error_code ec;
        come = qint64(fs::file_size(part(id), ec)), length = qint64(json->value("length", int64_t(0)));
    } else {
        return {Status::NotFound, {}};
    }
    return {Status::Ok,
            {},
            {{"Upload-Offset", QByteArray::number(come)},
             {"Upload-Length", QByteArray::number(length)},
             {"Cache-Control", "no-store"}}};
}

UploadService::Reply UploadService::add(const QString& id, qint64 offset, const QByteArray& bytes) {
    auto json = readJsonFile(parcel(id));
    if (!json) return {Status::NotFound, "there is no such upload"};
    const qint64 length = json->value("length", int64_t(0));
    QFile file(QString::fromStdString(part(id).string()));
    if (!file.open(QIODevice::WriteOnly | QIODevice::Append))
        return {Status::InternalServerError, "the clip cannot be written"};
    if (offset != file.size()) return {Status::Conflict, "the clip goes on elsewhere; ask where with HEAD"};
    if (offset + bytes.size() > length) return {Status::PayloadTooLarge, "more has come than was told of"};
    const qint64 written = file.write(bytes);
    if (!file.flush() || written != bytes.size()) {
        file.resize(offset); // as if the piece had never come
        return {Status::InternalServerError, "the disk is full"};
    }
    file.close();
    if (offset + bytes.size() == length) {
        // Two clients may send files of one name: the upload's own number keeps them apart.
        const std::string name = id.left(8).toStdString() + "-" + json->value("clip", "clip.mp4");
        (*json)["clip"] = name;
        json->erase("length");
        std::error_code ec;
        fs::rename(part(id), inbox_ / name, ec);
        if (ec || !writeFileAtomically(inbox_ / (name + ".json"), toText(*json)))
            return {Status::InternalServerError, "the clip could not be put into the inbox"};
        fs::remove(parcel(id), ec);
        whole_[id] = length;
        emit arrived();
    }
    return {Status::NoContent, {}, {{"Upload-Offset", QByteArray::number(offset + bytes.size())}}};
}

} // namespace deft
