// SPDX-License-Identifier: GPL-3.0-or-later
// A clip appears under its name only when it is whole.
#include "base/files.h"
#include "support/no_room.h"
#include "support/numbered_clip.h"

#include <QDir>
#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class ClipWriterTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    std::filesystem::path at(const char* name) const { return dir_.filePath(QString::fromLatin1(name)).toStdString(); }

private slots:
    void unfinishedLeavesNothing() {
        WriterOptions o;
        o.width = 64, o.height = 64;
        {
            auto writer = ClipWriter::create(at("a.mp4"), o).value();
            QVERIFY(writer.add(numberedPicture(1, 64, 64), 0));
        }
        QVERIFY(QDir(dir_.path()).isEmpty());
    }

    void sameFramesSameBytes() {
        QVERIFY(writeNumbered(at("x.mp4"), evenTimes(20)));
        QVERIFY(writeNumbered(at("y.mp4"), evenTimes(20)));
        QCOMPARE(sha256OfFile(at("x.mp4")).value(), sha256OfFile(at("y.mp4")).value());
    }

    void fullDisk() {
        const NoRoom limit(1000);
        const auto wrote = writeNumbered(at("big.mp4"), evenTimes(60));
        QVERIFY(!wrote);
        QCOMPARE(wrote.error().code, Errc::WriteFailed);
        QVERIFY(!std::filesystem::exists(at("big.mp4")));
    }

    void unknownContainer() { QVERIFY(!writeNumbered(at("a.txt"), evenTimes(3))); }
    void noSuchFolder() {
        QCOMPARE(writeNumbered(dir_.path().toStdString() + "/none/a.mp4", evenTimes(3)).error().code,
                 Errc::WriteFailed);
    }
};

QTEST_GUILESS_MAIN(ClipWriterTest)
#include "clip_writer_test.moc"
