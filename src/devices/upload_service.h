#pragma once
#include <QHash>
#include <QObject>
#include <filesystem>
#include <map>
#include <memory>

class QHttpServer;

namespace deft {

/// Stand-in for a coach's upload service: an HTTP server on this machine only, that takes clips in pieces and puts them
/// into an inbox folder. It speaks the core of the open resumable upload protocol "tus" 1.0.0: POST /uploads makes an
/// upload (Upload-Length; Upload-Metadata with the parcel as JSON in base64), HEAD tells how much has come
/// (Upload-Offset), PATCH adds to it. What has come survives a restart.
class UploadService : public QObject {
    Q_OBJECT
public:
    explicit UploadService(std::filesystem::path inbox, QObject* parent = nullptr);
    ~UploadService() override;

    /// @param port 0 = any that is free @returns the port, 0 when none could be had
    quint16 listen(quint16 port = 0);

    /// Largest clip that is taken (bytes).
    static constexpr qint64 kLargest = qint64(8) << 30;

signals:
    void arrived(); ///< a parcel lies complete in the inbox

private:
    struct Reply;
    Reply create(qint64 length, const QByteArray& metadata);
    Reply add(const QString& id, qint64 offset, const QByteArray& bytes);
    Reply tell(const QString& id) const;
    std::filesystem::path part(const QString& id) const;
    std::filesystem::path parcel(const QString& id) const;

    std::filesystem::path inbox_;
    std::unique_ptr<QHttpServer> server_;
    std::map<QString, qint64> whole_; ///< uploads of this run that are complete, and their length
};

} // namespace deft
