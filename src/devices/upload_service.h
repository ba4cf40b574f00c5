// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"
#include "records/parcel.h"

#include <QObject>
#include <filesystem>
#include <map>
#include <memory>
#include <mutex>
#include <set>
#include <thread>

namespace httplib {
class Server;
struct Request;
struct Response;
class ContentReader;
} // namespace httplib

namespace deft {

/// Stand-in for a coach's upload service: an HTTP server on this machine only, that takes films in pieces and puts them
/// into an inbox folder. It speaks the core of the open resumable upload protocol "tus" 1.0.0: POST /uploads makes an
/// upload (Upload-Length; Upload-Metadata with the parcel as JSON in base64), HEAD tells how much has come
/// (Upload-Offset), PATCH adds to it. What has come survives a restart.
///
/// Every call carries a client's own token (Authorization: Bearer …); whose a film is, is told by the token and not by
/// what was sent. Calls of web pages (Origin) and for other hosts are refused. Pieces go to the disk as they come.
class UploadService : public QObject {
    Q_OBJECT
public:
    UploadService(CataloguePtr catalogue, std::filesystem::path inbox, QObject* parent = nullptr);
    ~UploadService() override;

    /// A client may send with what this returns. @param uid the client's id, see Client::uid
    std::string tokenFor(const std::string& uid);
    /// @param port 0 = any that is free @returns the port, 0 when none could be had
    quint16 listen(quint16 port = 0);

    static constexpr int64_t kLargest = int64_t(8) << 30;      ///< of one film, bytes
    static constexpr int64_t kMostWaiting = int64_t(16) << 30; ///< of all uploads that are not whole, bytes
    static constexpr int kKept_days = 7;                       ///< an upload that does not go on is dropped after these

signals:
    void arrived(); ///< a parcel lies complete in the inbox

private:
    struct Reply;
    using Request = httplib::Request;
    Reply create(const std::string& uid, int64_t length, const std::string& metadata);
    Reply add(const std::string& uid, const std::string& id, int64_t offset, int64_t length,
              const httplib::ContentReader& body);
    Reply tell(const std::string& uid, const std::string& id);
    Reply complete(const std::string& id, Json parcel);
    Result<Json> parcelOf(const std::string& uid, const std::string& id) const;
    /// Empty = the call is refused.
    std::string clientOf(const Request& request) const;
    void dropOld();
    std::filesystem::path part(const std::string& id) const;
    std::filesystem::path parcel(const std::string& id) const;

    CataloguePtr catalogue_;
    std::filesystem::path inbox_;
    std::unique_ptr<httplib::Server> server_;
    quint16 port_ = 0;
    mutable std::mutex lock_;                   ///< of what follows; calls come on threads of the server's own
    std::map<std::string, std::string> tokens_; ///< token → client
    std::map<std::string, std::pair<std::string, int64_t>> whole_; ///< complete uploads of this run: client, length
    std::set<std::string> busy_;                                   ///< uploads that a piece is coming for
    std::thread thread_;
};

} // namespace deft
