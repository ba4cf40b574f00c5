// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/upload_service.h"

#include "base/files.h"
#include "base/json.h"
#include "devices/inbox_folder.h"

#include <QByteArray>
#include <QUuid>
#include <charconv>
#include <fcntl.h>
#include <httplib.h>
#include <unistd.h>

namespace deft {
namespace fs = std::filesystem;

struct UploadService::Reply {
    int status = 204;
    std::string words;
    std::vector<std::pair<const char*, std::string>> headers{};

    void into(httplib::Response& r) const {
        r.status = status;
        r.set_header("Tus-Resumable", "1.0.0");
        for (const auto& [name, value] : headers) r.set_header(name, value);
        if (!words.empty()) r.set_content(words, "text/plain");
    }
};

namespace {

constexpr size_t kIdLength = 32; // hexadecimal digits

std::string newId() { return QUuid::createUuid().toString(QUuid::Id128).toStdString(); }

bool isId(const std::string& id) {
    return id.size() == kIdLength && id.find_first_not_of("0123456789abcdef") == std::string::npos;
}

std::optional<int64_t> wholeNumber(const std::string& text) {
    int64_t value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    return error == std::errc() && end == text.data() + text.size() && value >= 0 ? std::optional(value) : std::nullopt;
}

/// The parcel out of "name value,parcel <base64>".
std::string parcelIn(const std::string& metadata) {
    for (const QByteArray& pair : QByteArray::fromStdString(metadata).split(','))
        if (const QByteArray trimmed = pair.trimmed(); trimmed.startsWith("parcel "))
            return QByteArray::fromBase64(trimmed.mid(7)).toStdString();
    return {};
}

/// Do the first bytes say that it is a film: MP4 and MOV ("ftyp" in the first box), Matroska and WebM (EBML), AVI?
bool beginsAsFilm(const fs::path& file) {
    unsigned char head[12] = {};
    const auto fd = openOrdinaryFile(file, false);
    if (!fd) return false;
    const ssize_t got = ::read(*fd, head, sizeof head);
    ::close(*fd);
    if (got < ssize_t(sizeof head)) return false;
    const std::string_view bytes(reinterpret_cast<const char*>(head), sizeof head);
    return bytes.substr(4, 4) == "ftyp" || bytes.starts_with("\x1a\x45\xdf\xa3") ||
           (bytes.starts_with("RIFF") && bytes.substr(8) == "AVI ");
}

} // namespace

UploadService::UploadService(CataloguePtr catalogue, fs::path inbox, QObject* parent)
    : QObject(parent), catalogue_(std::move(catalogue)), inbox_(std::move(inbox)) {
    std::error_code ec;
    fs::create_directories(inbox_ / ".uploads", ec);
    fs::permissions(inbox_ / ".uploads", fs::perms::owner_all, ec);
    dropOld();
    server_ = std::make_unique<httplib::Server>();
    server_->set_payload_max_length(size_t(kLargest));
    server_->set_read_timeout(30);
    using Response = httplib::Response;
    const auto answered = [this](const Request& r, Response& to, const std::function<Reply(const std::string&)>& of) {
        const std::string client = clientOf(r);
        (client.empty() ? Reply{403, "this call is not allowed here"} : of(client)).into(to);
    };
    server_->Post("/uploads", [this, answered](const Request& r, Response& to) {
        answered(r, to, [&](const std::string& client) -> Reply {
            const auto length = wholeNumber(r.get_header_value("Upload-Length"));
            if (!length) return {400, "Upload-Length is missing"};
            return create(client, *length, r.get_header_value("Upload-Metadata"));
        });
    });
    server_->Get(R"(/uploads/([0-9a-f]{32}))", [this, answered](const Request& r, Response& to) { // HEAD, too
        answered(r, to, [&](const std::string& client) { return tell(client, r.matches[1]); });
    });
    server_->Patch(R"(/uploads/([0-9a-f]{32}))",
                   [this, answered](const Request& r, Response& to, const httplib::ContentReader& body) {
                       answered(r, to, [&](const std::string& client) -> Reply {
                           const auto offset = wholeNumber(r.get_header_value("Upload-Offset"));
                           const auto length = wholeNumber(r.get_header_value("Content-Length"));
                           if (!offset || !length) return {400, "Upload-Offset or Content-Length is missing"};
                           return add(client, r.matches[1], *offset, *length, body);
                       });
                   });
    server_->set_exception_handler([](const Request&, Response& to, std::exception_ptr) {
        Reply{500, "the call could not be answered"}.into(to);
    });
}

UploadService::~UploadService() {
    server_->stop();
    if (thread_.joinable()) thread_.join();
}

std::string UploadService::tokenFor(const std::string& uid) {
    const std::lock_guard held(lock_);
    for (const auto& [token, client] : tokens_)
        if (client == uid) return token;
    const std::string token = newId() + newId();
    tokens_[token] = uid;
    return token;
}

quint16 UploadService::listen(quint16 port) {
    const int got =
        port ? (server_->bind_to_port("127.0.0.1", port) ? port : -1) : server_->bind_to_any_port("127.0.0.1");
    if (got <= 0) return 0;
    port_ = quint16(got);
    thread_ = std::thread([this] { server_->listen_after_bind(); });
    return port_;
}

std::string UploadService::clientOf(const Request& r) const {
    // A web page in this machine's browser could call, or give a name of its own to this address.
    const std::string host = r.get_header_value("Host"), port = ":" + std::to_string(port_);
    if (r.has_header("Origin") || (host != "127.0.0.1" + port && host != "localhost" + port)) return {};
    const std::string told = r.get_header_value("Authorization");
    const std::lock_guard held(lock_);
    const auto known = told.starts_with("Bearer ") ? tokens_.find(told.substr(7)) : tokens_.end();
    return known == tokens_.end() ? std::string() : known->second;
}

fs::path UploadService::part(const std::string& id) const { return inbox_ / ".uploads" / (id + ".part"); }
fs::path UploadService::parcel(const std::string& id) const { return inbox_ / ".uploads" / (id + ".json"); }

/// Uploads that nobody has gone on with, and halves without their other half.
void UploadService::dropOld() {
    std::error_code ec;
    const auto now = fs::file_time_type::clock::now();
    for (const auto& entry : fs::directory_iterator(inbox_ / ".uploads", ec)) {
        const fs::path& file = entry.path();
        const fs::path other = fs::path(file).replace_extension(file.extension() == ".part" ? ".json" : ".part");
        const bool old = now - fs::last_write_time(file, ec) > std::chrono::hours(24 * kKept_days);
        if (!old && fs::exists(other, ec)) continue;
        if (file.extension() == ".json" && !old) continue; // its piece is about to be made
        fs::remove(file, ec);
        if (old) fs::remove(other, ec);
    }
}

Result<Json> UploadService::parcelOf(const std::string& uid, const std::string& id) const {
    if (!isId(id)) return fail(Errc::NotFound, "there is no such upload");
    auto json = readJsonFile(parcel(id));
    if (!json || json->value("client_id", Json()) != uid) return fail(Errc::NotFound, "there is no such upload");
    return json;
}

UploadService::Reply UploadService::create(const std::string& uid, int64_t length, const std::string& metadata) {
    if (length <= 0 || length > kLargest) return {413, "the film is empty or larger than 8 GB"};
    auto json = parseJson(parcelIn(metadata), "parcel");
    if (!json) return {400, json.error().detail()};
    if (json->is_object()) (*json)["client_id"] = uid; // as the token says
    const auto parsed = parseParcel(*catalogue_, *json, "parcel");
    if (!parsed) return {400, parsed.error().detail()};
    if (!isFilmName(parsed->clip)) return {415, "only films are taken: .mp4, .mov, .mkv, .webm, .m4v or .avi"};
    const std::lock_guard held(lock_);
    dropOld();
    int64_t waiting = 0;
    std::error_code ec;
    for (const auto& entry : fs::directory_iterator(inbox_ / ".uploads", ec))
        if (entry.path().extension() == ".json")
            if (const auto other = readJsonFile(entry.path()); other && other->is_object())
                waiting += other->value("length", int64_t(0));
    const auto room = fs::space(inbox_, ec);
    if (waiting + length > kMostWaiting || (!ec && int64_t(room.available) < length))
        return {507, "there is no room for the film"};
    (*json)["length"] = length;
    const std::string id = newId();
    // The parcel first: a piece without one is nobody's.
    if (!writeFileAtomically(parcel(id), toText(*json)) || !writeFileAtomically(part(id), ""))
        return {507, "there is no room for the film"};
    return {201, {}, {{"Location", "/uploads/" + id}}};
}

UploadService::Reply UploadService::tell(const std::string& uid, const std::string& id) {
    int64_t come = 0, length = 0;
    const std::lock_guard held(lock_);
    if (const auto whole = whole_.find(id); whole != whole_.end() && whole->second.first == uid) {
        come = length = whole->second.second; // the sender may have missed the last reply
    } else if (const auto json = parcelOf(uid, id)) {
        std::error_code ec;
        come = int64_t(fs::file_size(part(id), ec)), length = json->value("length", int64_t(0));
    } else {
        return {404, {}};
    }
    return {200,
            {},
            {{"Upload-Offset", std::to_string(come)},
             {"Upload-Length", std::to_string(length)},
             {"Cache-Control", "no-store"}}};
}

UploadService::Reply UploadService::add(const std::string& uid, const std::string& id, int64_t offset, int64_t bytes,
                                        const httplib::ContentReader& body) {
    Json json;
    {
        const std::lock_guard held(lock_);
        auto of = parcelOf(uid, id);
        if (!of) return {404, of.error().detail()};
        json = std::move(*of);
        if (!busy_.insert(id).second) return {409, "a piece of this film is coming already"};
    }
    const auto free = [this](const std::string* of) {
        const std::lock_guard held(lock_);
        busy_.erase(*of);
    };
    const std::unique_ptr<const std::string, decltype(free)> mine(&id, free);
    const int64_t length = json.value("length", int64_t(0));
    const int fd = ::open(part(id).c_str(), O_WRONLY | O_CLOEXEC | O_NOFOLLOW | O_APPEND);
    if (fd < 0) return {500, "the film cannot be written"};
    const auto close = [](const int* of) { ::close(*of); };
    const std::unique_ptr<const int, decltype(close)> file(&fd, close);
    if (offset != int64_t(::lseek(fd, 0, SEEK_END))) return {409, "the film goes on elsewhere; ask where with HEAD"};
    if (bytes > length - offset) return {413, "more has come than was told of"};
    int64_t come = offset;
    bool full = false;
    const bool all = body([&](const char* data, size_t size) {
        for (size_t done = 0; done < size;) {
            const ssize_t n = ::write(fd, data + done, size - done);
            if (n < 0 && errno == EINTR) continue;
            if (n < 0) return full = true, false;
            done += size_t(n), come += n;
        }
        return true;
    });
    if (full) {
        if (::ftruncate(fd, offset) != 0) return {500, "the film cannot be written"}; // as if the piece had never come
        return {507, "the disk is full"};
    }
    if (!all) return {400, "the line broke; what has come is kept"};
    if (come == length) {
        if (::fsync(fd) != 0) return {507, "the disk is full"};
        if (Reply done = complete(id, std::move(json)); done.status != 204) return done;
    }
    return {204, {}, {{"Upload-Offset", std::to_string(come)}}};
}

UploadService::Reply UploadService::complete(const std::string& id, Json json) {
    std::error_code ec;
    if (!beginsAsFilm(part(id))) {
        fs::remove(part(id), ec), fs::remove(parcel(id), ec);
        return {415, "only films are taken"};
    }
    // Two clients may send files of one name: the upload's own number keeps them apart.
    const std::string name = id.substr(0, 8) + "-" + json.value("clip", "clip.mp4");
    const std::string uid = json.value("client_id", "");
    const int64_t length = json.value("length", int64_t(0));
    json["clip"] = name;
    json.erase("length");
    fs::rename(part(id), inbox_ / name, ec);
    if (ec || !writeFileAtomically(inbox_ / (name + ".json"), toText(json)))
        return {500, "the film could not be put into the inbox"};
    fs::remove(parcel(id), ec);
    {
        const std::lock_guard held(lock_);
        whole_[id] = {uid, length};
    }
    emit arrived();
    return {};
}

} // namespace deft

#include "moc_upload_service.cpp"
