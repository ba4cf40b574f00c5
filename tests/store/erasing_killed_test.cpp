// SPDX-License-Identifier: GPL-3.0-or-later
// Erasing, at random and killed at random: no byte of the name or of the film's sum is left, and nobody else's is
// touched.
#include "base/json.h"
#include "store/intake.h"
#include "store/library.h"
#include "support/demo_review.h"
#include "support/reopened.h"

#include <QCoreApplication>
#include <QTemporaryDir>
#include <QTest>
#include <random>
#include <sys/wait.h>
#include <unistd.h>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

namespace {

/// Where these bytes stand under a folder, in names and contents.
std::string whereIs(const fs::path& folder, const std::string& bytes) {
    for (const auto& entry : fs::recursive_directory_iterator(folder)) {
        if (entry.path().filename().string().find(bytes) != std::string::npos) return entry.path().string();
        if (entry.is_regular_file() && readFile(entry.path()).value_or("").find(bytes) != std::string::npos)
            return entry.path().string();
    }
    return {};
}

struct Person {
    int64_t id = 0;
    std::string name, film;
};

} // namespace

class ErasingKilledTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    /// A client with films in clips/, one of them filed, one waiting, one in the inbox, one half sent, and what comes
    /// of them.
    static Person add(Library& library, int number) {
        Person p;
        p.name = "Marit Solheim-" + std::to_string(number) + "-of-the-Heron";
        p.id = library.addClient(p.name, "puppeteer").value();
        const fs::path folder = library.folder();
        ReviewInputs in = demoInputs();
        in.client = p.name;
        in.note.words = p.name + " says hello";
        const std::string film = "film of " + p.name;
        fs::create_directories(folder / "inbox/.uploads");
        (void)writeFileAtomically(folder / "clips/new.mp4", film);
        p.film = in.clipSha256 = sha256OfFile(folder / "clips/new.mp4").value();
        in.clipPath = (folder / "clips" / (p.film.substr(0, 16) + ".mp4")).string();
        fs::rename(folder / "clips/new.mp4", in.clipPath);
        const auto clip = library.addClip(p.id, "2026-04-30", in).value();
        library.cacheProposals(in, in.marks);
        static const Review review = demoReview();
        Review own = review;
        own.inputs = in;
        const std::string answer =
            "answer-" + std::to_string(library.file(clip, own, "<p>" + p.name + "</p>", p.name).value());
        (void)library.addClip(p.id, "2026-05-14", in);
        fs::create_directories(folder / "outbox");
        (void)writeFileAtomically(folder / "outbox" / (answer + ".eml"), "mail to " + p.name);
        (void)writeFileAtomically(folder / "inbox" / ("again-" + std::to_string(number) + ".mp4"),
                                  film); // the same film
        Parcel parcel;
        parcel.client = p.name, parcel.exercise = "bridge", parcel.clip = "later-" + std::to_string(number) + ".mp4";
        (void)writeFileAtomically(folder / "inbox" / ("later-" + std::to_string(number) + ".json"),
                                  toText(toJson(parcel)));
        (void)writeFileAtomically(folder / "inbox" / parcel.clip, "another film of " + p.name);
        (void)writeFileAtomically(folder / "inbox/.uploads" / (std::to_string(number) + ".json"),
                                  toText(toJson(parcel)));
        (void)writeFileAtomically(folder / "inbox/.uploads" / (std::to_string(number) + ".part"),
                                  "half a film of " + p.name);
        (void)library.putAside({"note", "later-" + std::to_string(number), "the clip of " + p.name + " is damaged"});
        return p;
    }
    static std::string kept(const Library& library, const Person& p) {
        std::string all = std::to_string(library.clipsOf(p.id).size()) + " ";
        for (const FiledReview& r : library.filed(p.id, "bridge"))
            all += r.answerText + std::to_string(r.readings.size());
        for (const Clip& c : library.clipsOf(p.id))
            all += toLine(toJson(c.draft)) + (fs::exists(c.draft.clipPath) ? "+" : "-");
        return all;
    }

private slots:
    /// Whatever is still there when the program is killed is found again: a film never outlives the note that names it.
    void filmsBeforeTheirNotes() {
        auto library = Library::open(dir_.filePath("order").toStdString()).value();
        const Person p = add(*library, 1);
        const auto files = library->whatErasingTakes(p.id, Erasing::Everything)->files;
        const auto place = [&](const char* name) {
            return std::find_if(files.begin(), files.end(), [&](const fs::path& f) { return f.filename() == name; }) -
                   files.begin();
        };
        QVERIFY(place("1.part") < place("1.json") && size_t(place("1.json")) < files.size());
        QVERIFY(place("later-1.mp4") < place("later-1.json") && size_t(place("later-1.json")) < files.size());
    }

    void manyErasures() {
        const int rounds = qEnvironmentVariableIsSet("DEFT_LONG") ? 200 : 24;
        std::mt19937 random(7);
        int killed = 0;
        for (int round = 0; round < rounds; ++round) {
            const fs::path folder = dir_.filePath(QString::number(round)).toStdString();
            std::vector<Person> people;
            std::string others;
            const size_t whom = random() % 3;
            {
                auto library = Library::open(folder).value();
                for (int i = 0; i < 3; ++i) people.push_back(add(*library, 100 * round + i));
                for (size_t i = 0; i < people.size(); ++i)
                    if (i != whom) others += kept(*library, people[i]);
            }
            const bool kill = round % 2 == 1;
            const pid_t child = ::fork();
            if (child == 0) {
                auto library = Library::open(folder);
                if (library) (void)(*library)->erase(people[whom].id, Erasing::Everything);
                ::_exit(0);
            }
            if (kill) {
                ::usleep(useconds_t(random() % 60000));
                killed += ::kill(child, SIGKILL) == 0;
            }
            int status = 0;
            ::waitpid(child, &status, 0);
            auto opened = reopened(folder); // ends what was begun
            QVERIFY2(opened.has_value(), opened ? "" : opened.error().detail().c_str());
            auto library = std::move(*opened);
            if (library->client(people[whom].id)) // killed before anything had begun
                QVERIFY(library->erase(people[whom].id, Erasing::Everything).has_value());
            std::string still;
            for (size_t i = 0; i < people.size(); ++i)
                if (i != whom) still += kept(*library, people[i]);
            QCOMPARE(QString::fromStdString(still), QString::fromStdString(others));
            QVERIFY(library->damage().empty());
            for (const std::string& trace : {people[whom].name, people[whom].film, people[whom].film.substr(0, 16)})
                QVERIFY2(whereIs(folder, trace).empty(),
                         qPrintable(
                             QStringLiteral("round %1: %2 in %3")
                                 .arg(round)
                                 .arg(QString::fromStdString(trace), QString::fromStdString(whereIs(folder, trace)))));
            library.reset();
            fs::remove_all(folder);
        }
        QVERIFY(killed > rounds / 3);
    }
};

QTEST_GUILESS_MAIN(ErasingKilledTest)
#include "erasing_killed_test.moc"
