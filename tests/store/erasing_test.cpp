// SPDX-License-Identifier: GPL-3.0-or-later
// What is erased is gone from every file of the library, and nothing else is.
#include "store/library.h"
#include "support/demo_review.h"

#include <QCoreApplication>
#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

namespace {

/// Names of the files under a folder in which these bytes stand, or whose name has them.
QStringList filesWith(const fs::path& folder, const std::string& bytes) {
    QStringList found;
    for (const auto& entry : fs::recursive_directory_iterator(folder)) {
        const std::string name = entry.path().filename().string();
        if (!entry.is_regular_file() ||
            (name.find(bytes) == std::string::npos && readFile(entry.path()).value().find(bytes) == std::string::npos))
            continue;
        found << QString::fromStdString(name);
    }
    return found;
}

} // namespace

class ErasingTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    fs::path folder_;
    std::unique_ptr<Library> library_;
    int64_t ruta_ = 0, oisin_ = 0;

    /// A clip in the library's own folder, its review filed, with everything that comes of that.
    int64_t fileReviewOf(int64_t client, const std::string& name, const std::string& file) {
        ReviewInputs in = demoInputs();
        in.client = name;
        in.clipPath = (folder_ / "clips" / file).string();
        fs::create_directories(folder_ / "clips");
        (void)writeFileAtomically(in.clipPath, "video of " + name);
        in.clipSha256 = sha256OfFile(in.clipPath).value();
        if (client == ruta_) {
            in.spoken = Spoken{library_->newVoice(in).string(), 0, 1, 2, "well done", {}};
            (void)writeFileAtomically(in.spoken->voice, "voice for " + name);
        }
        const auto clip = library_->addClip(client, "2026-04-30", in).value();
        library_->cacheTracks(in, demoTracks());
        library_->cacheProposals(in, in.marks);
        const auto filed = library_->file(clip, demoReview(in), "<p>page for " + name + "</p>", "letter to " + name);
        const std::string answer = "answer-" + std::to_string(filed.value());
        fs::create_directories(folder_ / "outbox");
        (void)writeFileAtomically(folder_ / "answers" / (answer + ".mp4"), "reply clip for " + name);
        (void)writeFileAtomically(folder_ / "outbox" / (answer + ".eml"), "mail to " + name);
        (void)writeFileAtomically(folder_ / "outbox" / (answer + "-2.eml"), "second mail to " + name);
        return filed.value();
    }

private slots:
    void init() {
        static int number = 0;
        folder_ = dir_.filePath(QString::number(++number)).toStdString();
        library_ = Library::open(folder_).value();
        ruta_ = library_->addClient("Ruta Kalniņa", "puppeteer").value();
        oisin_ = library_->addClient("Oisín Gallagher", "rigger").value();
        QVERIFY(library_->setAbout(ruta_, "a back that lasts the Kalniņa tour", "kalniņa@example.net"));
        QVERIFY(library_->recordConsent(ruta_, {"2026-03-12", "2026-09-12", {"coaching"}}));
        fileReviewOf(ruta_, "Ruta Kalniņa", "ruta.mp4");
        Programme programme;
        programme.uid = "p-1", programme.from = "2026-05-04", programme.client = "Ruta Kalniņa";
        programme.days = {std::chrono::Monday};
        const auto given = library_->giveProgramme(ruta_, programme);
        QVERIFY(given && library_->saveProgrammeDraft(ruta_, programme));
        PractisedDay day;
        day.day = "2026-05-04", day.words = "Kalniņa was tired";
        QVERIFY(library_->takePractice(ruta_, {"", "Ruta Kalniņa", "p-1", {day}}));
        for (const auto& [folder, ending] : {std::pair{"answers", ".html"}, {"outbox", ".eml"}}) {
            fs::create_directories(folder_ / folder);
            (void)writeFileAtomically(folder_ / folder / ("programme-" + std::to_string(*given) + ending),
                                      "practice of Ruta Kalniņa");
        }
        // Many, so that some number begins with the digit of another.
        for (int i = 0; i < 10; ++i) fileReviewOf(oisin_, "Oisín Gallagher", "oisin.mp4");
    }
    void cleanup() { library_.reset(); }

    /// The picture goes in every form, the numbers stay and can still be compared with.
    void videosOnly() {
        ReviewInputs waiting = demoInputs();
        const auto outside = waiting.clipPath;
        library_->addClip(ruta_, "2026-05-14", waiting).value();
        const Erasure planned = library_->whatErasingTakes(ruta_, Erasing::Videos).value();
        QCOMPARE(planned.clips, 2);
        QCOMPARE(planned.reviews, 0);
        QCOMPARE(planned.files.size(), size_t(8)); // clip, tracks, proposals, page, reply clip, two mails, what was spoken
        QCOMPARE(planned.outside, std::vector<fs::path>{outside});

        const auto erased = library_->erase(ruta_, Erasing::Videos);
        QVERIFY(erased.has_value());
        QCOMPARE(erased->files, planned.files);
        for (const fs::path& file : planned.files) QVERIFY(!fs::exists(file));
        QVERIFY(fs::exists(outside));
        QCOMPARE(library_->clipsOf(ruta_).size(), size_t(1)); // the one that waited went, too
        const auto filed = library_->filed(ruta_, "bridge");
        QCOMPARE(filed.size(), size_t(1));
        QVERIFY(filed[0].readings.size() > 5);
        library_.reset();
        for (const char* shown : {"video of Ruta", "page for Ruta", "mail to Ruta", "reply clip for Ruta", "voice for Ruta"})
            QVERIFY2(filesWith(folder_, shown).isEmpty(), shown);
        QVERIFY(!filesWith(folder_, "letter to Ruta").isEmpty());
        library_ = Library::open(folder_).value();
        QVERIFY(library_->erase(ruta_, Erasing::Videos).has_value()); // nothing is left to go, and that is no error
    }

    /// No byte of the client is left in any file, and the others have lost nothing.
    void everything() {
        const auto before = library_->filed(oisin_, "bridge");
        const auto erased = library_->erase(ruta_, Erasing::Everything);
        QVERIFY(erased.has_value());
        QCOMPARE(erased->reviews, 1);
        // While the program still runs, and after it has ended.
        QCOMPARE(filesWith(folder_, "Kalniņa"), QStringList());
        library_.reset();
        QCOMPARE(filesWith(folder_, "Kalniņa"), QStringList());
        library_ = Library::open(folder_).value();
        QCOMPARE(library_->clients().size(), size_t(1));
        const auto after = library_->filed(oisin_, "bridge");
        QCOMPARE(after.size(), before.size());
        for (size_t i = 0; i < after.size(); ++i) {
            QCOMPARE(after[i].readings.size(), before[i].readings.size());
            QVERIFY(fs::exists(folder_ / "answers" / ("answer-" + std::to_string(after[i].id) + ".html")));
            QVERIFY(fs::exists(folder_ / "outbox" / ("answer-" + std::to_string(after[i].id) + ".eml")));
        }
        const ReviewInputs kept = library_->clipsOf(oisin_).front().draft;
        QVERIFY(fs::exists(kept.clipPath) && library_->cachedTracks(kept) && library_->cachedProposals(kept));
        QCOMPARE(library_->unsent().size(), before.size());
    }

    /// The same film sent for two people stays as long as one of them has it.
    void sharedClip() {
        ReviewInputs same = library_->clipsOf(ruta_).front().draft;
        library_->addClip(oisin_, "2026-05-01", same).value();
        QVERIFY(library_->erase(ruta_, Erasing::Everything).has_value());
        QVERIFY(fs::exists(same.clipPath) && library_->cachedTracks(same));
        QVERIFY(library_->erase(oisin_, Erasing::Everything).has_value());
        QVERIFY(!fs::exists(same.clipPath) && !library_->cachedTracks(same));
    }

    /// What was spoken over a reply clip lies in the library under any of its folders' names, stays while a draft names
    /// it, and goes when none does, or with its clip.
    void voices() {
        ReviewInputs in = demoInputs();
        in.clipPath = (folder_ / "clips" / "waiting.mp4").string();
        QVERIFY(writeFileAtomically(in.clipPath, "another video"));
        in.clipSha256 = sha256OfFile(in.clipPath).value();
        const fs::path first = library_->newVoice(in);
        QVERIFY(writeFileAtomically(first, "taken first"));
        const fs::path second = library_->newVoice(in);
        QVERIFY(first != second);
        QVERIFY(writeFileAtomically(second, "taken second"));
        in.spoken = Spoken{second.string(), 0.5, 1, 2, "", {{{{0.25, 0.5, 0.75}}}}};
        const int64_t clip = library_->addClip(ruta_, "2026-05-01", in).value();
        QCOMPARE(library_->clip(clip)->draft.spoken, in.spoken);
        library_.reset();
        const fs::path moved = folder_.string() + "-moved";
        fs::rename(folder_, moved);
        library_ = Library::open(moved).value();
        QVERIFY(!fs::exists(moved / "clips" / first.filename()));
        const auto there = library_->clip(clip)->draft.spoken;
        QVERIFY(there && there->lines == in.spoken->lines);
        QCOMPARE(readFile(there->voice).value(), std::string("taken second"));
        QVERIFY(library_->removeClip(clip).has_value());
        QVERIFY(!fs::exists(there->voice));
    }

    /// A file that cannot be removed is named, and nothing is told as gone that is not.
    void fileThatStays() {
        const fs::path clip = library_->clipsOf(ruta_).front().draft.clipPath;
        fs::remove(clip);
        fs::create_directories(clip / "in the way"); // no file, and not empty
        const auto erased = library_->erase(ruta_, Erasing::Everything);
        QVERIFY(!erased);
        QCOMPARE(erased.error().code, Errc::WriteFailed);
        QVERIFY(erased.error().detail().find(clip.string()) != std::string::npos);
        QCOMPARE(library_->clients().size(), size_t(2));
        fs::remove_all(clip);
        QVERIFY(library_->erase(ruta_, Erasing::Everything).has_value()); // asked for again, it goes through
    }
};

QTEST_GUILESS_MAIN(ErasingTest)
#include "erasing_test.moc"
