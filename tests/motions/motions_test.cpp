// SPDX-License-Identifier: GPL-3.0-or-later
// Every exercise and version that a made person can do, from rest to rest and from position to position: nothing is
// found where nothing is wrong, and each thing that goes wrong in each phase is found, then and there, with what
// follows from it and nothing else. The person is built from lengths and joint angles (person.h), not from the drawings
// of the files.
#include "marks/clip_of_tracks.h"
#include "motions/coverage.h"
#include "motions/letters.h"
#include "motions/scenes.h"
#include "review/review.h"
#include "support/catalogue.h"
#include "support/drawn_body.h"
#include "support/table.h"

#include <QDir>
#include <QFile>
#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class MotionsTest : public QObject {
    Q_OBJECT

    /// Every body, start and direction; else each of them once.
    static bool isLong() { return qEnvironmentVariableIsSet("DEFT_LONG"); }

    static Review reviewOf(const Scene& scene, const Motion::Film& film = {}, const Schools& schools = {}) {
        ReviewInputs in;
        in.exercise = scene.exercise, in.asked.version = scene.version, in.view = scene.view, in.schools = schools;
        Tracks tracks = scene.motion.tracks(film);
        ClipInfo clip = clipOf(tracks);
        auto r = measureReview(shippedCatalogue(), in, clip, std::move(tracks));
        if (!r) qFatal("%s: %s", scene.name().c_str(), r.error().detail().c_str());
        return std::move(*r);
    }

    static void report(const QStringList& troubles, int all) {
        for (const QString& t : troubles) qWarning().noquote() << t; // one failure shows no more than some lines
        QVERIFY2(troubles.isEmpty(), qPrintable(QStringLiteral("%1 of %2").arg(troubles.size()).arg(all)));
    }

    static QString told(const Review& r) {
        QString out = QStringLiteral("\n    set-up %1 … %2").arg(r.events.setupStart_s).arg(r.events.setupEnd_s);
        for (const Rep& rep : r.events.reps)
            out += QStringLiteral("\n    rep %1 … top %2 … hold ends %3 … %4")
                       .arg(rep.start_s)
                       .arg(rep.top_s)
                       .arg(rep.holdEnd_s)
                       .arg(rep.end_s);
        for (const Fault& f : r.findings.faults)
            out += QStringLiteral("\n    %1 %2 %3±%4 (limit %5) in rep %6 at %7–%8")
                       .arg(f.id.c_str(), f.certainty == Certainty::Clear ? "clear" : "cannot-tell")
                       .arg(f.worst)
                       .arg(f.u95)
                       .arg(f.limit)
                       .arg(f.rep + 1)
                       .arg(f.start_s)
                       .arg(f.end_s);
        for (const SetupVerdict& v : r.findings.setup)
            out += QStringLiteral("\n    %1 %2 %3±%4").arg(v.id.c_str(), v.verdict.c_str()).arg(v.value).arg(v.u95);
        std::vector<std::string> looked{r.exercise.mover.measure};
        for (const FaultPlan& f : r.exercise.faults) looked.push_back(f.limit.measure);
        for (const Limit& l : r.exercise.inPosition) looked.push_back(l.measure);
        for (const std::string& m : looked) {
            const Summary sum = summaryOf(r.series(), m);
            out += QStringLiteral("\n    %1 from %2 to %3").arg(m.c_str()).arg(sum.min).arg(sum.max);
        }
        for (const std::string& m : r.missing) out += QStringLiteral("\n    missing %1").arg(m.c_str());
        return out;
    }
    /// What is wrong with how a clip without faults was read; empty = nothing.
    static QString troubleWithClean(const Scene& s, const Review& r) {
        QString out;
        if (r.events.reps.size() != s.reps.size())
            out += QStringLiteral("%1 reps instead of %2; ").arg(r.events.reps.size()).arg(s.reps.size());
        for (size_t i = 0; i < std::min(s.reps.size(), r.events.reps.size()); ++i) {
            const Hold& h = r.events.reps[i].hold;
            const bool window = r.exercise.mover.isWindow();
            // A smooth stop is called still a little before it ends.
            const double early = window ? 0.3 : 0.2 + 0.2 * (s.reps[i].top_s - s.reps[i].out_s);
            const double late = window ? 0.3 : 0.2 + 0.2 * (s.reps[i].end_s - s.reps[i].back_s);
            if (h.start_s < s.reps[i].top_s - early || h.start_s > s.reps[i].top_s + 0.3)
                out += QStringLiteral("hold %1 begins at %2, not %3; ").arg(i + 1).arg(h.start_s).arg(s.reps[i].top_s);
            if (h.end_s > s.reps[i].back_s + late || h.end_s < s.reps[i].back_s - 0.3)
                out += QStringLiteral("hold %1 ends at %2, not %3; ").arg(i + 1).arg(h.end_s).arg(s.reps[i].back_s);
        }
        for (const Fault& f : r.findings.faults)
            if (f.certainty == Certainty::Clear) out += QStringLiteral("%1 is not there; ").arg(f.id.c_str());
        for (const Fault& f : r.findings.between)
            out += QStringLiteral("%1 at %2 is not there; ").arg(f.id.c_str()).arg(f.start_s);
        for (const SetupVerdict& v : r.findings.setup)
            if (v.verdict == "poor") out += QStringLiteral("set-up %1 is not poor; ").arg(v.id.c_str());
        return out;
    }
    static QString troubleWith(const Scene& s, const Review& r, const Wrong& w, size_t rep, double from_s,
                               double ramp_s) {
        QString out;
        bool found = false;
        for (const Fault& f : r.findings.faults) {
            if (f.certainty != Certainty::Clear) continue;
            const bool isIt = f.id == w.fault;
            const bool beside = follows(r.exercise, f.id, w.fault) || std::count(w.with.begin(), w.with.end(), f.id);
            if (!isIt && !beside) out += QStringLiteral("%1 is not there; ").arg(f.id.c_str());
            if (isIt &&
                (w.throughout || (f.rep == int(rep) && f.start_s > from_s - 0.2 && f.start_s < from_s + ramp_s + 0.2)))
                found = true;
            if (isIt && f.rep != int(rep) && !w.throughout)
                out += QStringLiteral("%1 in rep %2; ").arg(f.id.c_str()).arg(f.rep + 1);
        }
        if (w.throughout) // what is so from the first picture on may be the set-up
            for (const SetupVerdict& v : r.findings.setup) found = found || (v.id == w.fault && v.isPoor());
        if (!found) out += QStringLiteral("no clear %1 at %2; ").arg(w.fault.c_str()).arg(from_s);
        if (r.events.reps.size() != s.reps.size()) out += QStringLiteral("%1 reps; ").arg(r.events.reps.size());
        return out;
    }

private slots:
    /// docs/coverage.md says what is covered; where it is out of date, the new one lies in the scratch folder.
    void coverageIsTold() {
        QFile told(QStringLiteral(DEFT_SOURCE_DIR "/docs/coverage.md"));
        const bool open = told.open(QIODevice::ReadOnly);
        const QString now = coverage();
        if (open && QString::fromUtf8(told.readAll()) == now) return;
        QDir().mkpath(QStringLiteral(DEFT_SCRATCH));
        QFile fresh(QStringLiteral(DEFT_SCRATCH "/coverage.md"));
        QVERIFY(fresh.open(QIODevice::WriteOnly) && fresh.write(now.toUtf8()) > 0);
        QFAIL(qPrintable(QStringLiteral("copy ") + fresh.fileName() + QStringLiteral(" to docs/coverage.md")));
    }

    void clean_data() {
        QTest::addColumn<int>("who");
        QTest::addColumn<bool>("rest");
        QTest::addColumn<bool>("mirrored");
        const auto row = [](int who, bool rest, bool mirrored) {
            QTest::addRow("%s, %s%s",
                          who == 0   ? "anybody"
                          : who == 1 ? "long legs"
                                     : "long trunk",
                          rest ? "from rest to rest" : "from position to position", mirrored ? ", mirrored" : "")
                << who << rest << mirrored;
        };
        if (isLong()) {
            for (const int who : {0, 1, 2})
                for (const bool rest : {true, false})
                    for (const bool mirrored : {false, true}) row(who, rest, mirrored);
        } else {
            row(0, true, false), row(1, false, true), row(2, true, true);
        }
    }
    void clean() {
        QFETCH(int, who);
        QFETCH(bool, rest);
        QFETCH(bool, mirrored);
        const Person person = who == 1 ? Person::longLegs() : who == 2 ? Person::longTrunk() : Person{};
        QStringList troubles;
        int all = 0;
        for (const Scene& s : scenes(person, rest)) {
            ++all;
            Motion::Film film;
            film.mirrored = mirrored;
            const Review r = reviewOf(s, film);
            if (const QString trouble = troubleWithClean(s, r) + troubleWithLetter(r); !trouble.isEmpty())
                troubles << QString::fromStdString(s.name()) + ": " + trouble + told(r);
        }
        report(troubles, all);
    }

    /// The far limb works between the reps of the near one, and the anchor gives way: that is told, and no step up.
    void betweenTheReps() {
        const Params start{{"thigh", 90}, {"shank", 0}}, end{{"thigh", 45}, {"shank", -40}};
        Motion m(Person{}, onTheBack, start);
        m.stay(3).to(end, 3).to(start, 1.5).stay(4).to(end, 3).to(start, 1.5).stay(2);
        const Scene clean{"leg-lower", "one-bent", m, {}, {}, false};
        QVERIFY(reviewOf(clean).findings.between.empty());
        Scene other = clean;
        other.motion.wrong("tilt", 14, 8.5, 10.3);
        const Review r = reviewOf(other);
        QVERIFY2(!r.findings.between.empty() && r.findings.between[0].id == "arch", qPrintable(told(r)));
        QVERIFY2(std::abs(r.findings.between[0].start_s - 8.6) < 0.2, qPrintable(told(r)));
        QCOMPARE(r.events.reps.size(), size_t(2));
        QVERIFY(r.decision.step != "up");
    }
    /// Hurried: legs that fall in 1.1 s where three were asked, a band that is let go.
    void hurried() {
        const auto found = [](const char* exercise, const char* version, Motion m) {
            const Review r = reviewOf({exercise, version, std::move(m), {}, {}, false});
            std::map<std::string, std::set<int>> faults;
            for (const Fault& f : r.findings.faults)
                if (f.certainty == Certainty::Clear) faults[f.id].insert(f.rep);
            return faults;
        };
        const Params up{{"thigh", 90}, {"shank", 90}}, low{{"thigh", 35}, {"shank", 35}};
        Motion legs(Person{}, onTheBack, up);
        legs.stay(3).to(low, 3).to(up, 1.5).stay(1.5).to(low, 1.1).to(up, 1.5).stay(1.5);
        QCOMPARE(found("leg-lower", "two-straight", legs), (std::map<std::string, std::set<int>>{{"fast-out", {1}}}));
        Motion band(Person{}, withBand, {{"turn", 0}});
        band.stay(3).to({{"turn", 60}}, 1.5).to({{"turn", 0}}, 2).stay(1.5);
        band.to({{"turn", 60}}, 1.5).to({{"turn", 0}}, 0.35).stay(1.5);
        QCOMPARE(found("band-external-rotation", "side", band),
                 (std::map<std::string, std::set<int>>{{"fast-back", {1}}}));
    }
    void hurriedEverywhere() {
        QStringList troubles;
        int all = 0;
        for (const Scene& s : scenes(Person{}, true))
            for (const char* fault : {"fast-out", "fast-back"}) {
                const Exercise e = shipped().form({s.exercise, s.version}).value();
                const Exercise seen = s.view.empty() ? e : shipped().inView(e, s.view).value();
                const FaultPlan* plan = seen.fault(fault);
                if (!plan || s.reps.size() < 2 || e.mover.isWindow()) continue;
                const bool out = std::string(fault) == "fast-out";
                const double from = out ? s.reps[1].out_s : s.reps[1].back_s,
                             to = out ? s.reps[1].top_s : s.reps[1].end_s;
                Scene one = s;
                one.motion.hurry(from, to, std::min(0.5 * *plan->limit.low, *plan->limit.low - 0.35) / (to - from));
                ++all;
                const Review r = reviewOf(one);
                if (const QString trouble = troubleWith(one, r, {"", 0, fault}, 1, from, 0.5) + troubleWithLetter(r);
                    !trouble.isEmpty())
                    troubles << QString::fromStdString(s.name() + ", " + fault + ": ") + trouble + told(r);
            }
        report(troubles, all);
    }
    /// Bodies, films, times and faults as they fall: DEFT_LOT gives another lot, DEFT_LONG a larger one.
    void drawnByLot() {
        std::mt19937 random(unsigned(qEnvironmentVariableIntValue("DEFT_LOT")));
        const auto between = [&](double low, double high) { return std::uniform_real_distribution(low, high)(random); };
        QStringList troubles;
        const int all = isLong() ? 1500 : 100;
        for (int n = 0; n < all; ++n) {
            Person who;
            for (double* part : {&who.trunk, &who.thigh, &who.shank, &who.upperArm, &who.forearm, &who.neck,
                                 &who.pelvisWidth, &who.shoulderWidth})
                *part *= between(0.92, 1.1);
            const bool rest = random() % 4 > 0;
            const auto made = scenes(who, rest);
            Scene s = made[random() % made.size()];
            Motion::Film film;
            film.rateHz = std::array{24.0, 25.0, 29.97, 50.0, 60.0}[random() % 5];
            film.pxPerCm = between(2.8, 6), film.mirrored = random() % 2, film.slower = between(1, 1.35);
            film.tremor_cm = between(0.03, 0.12), film.breath_cm = between(0.1, 0.5);
            film.origin = {between(400, 900), between(500, 680)};
            film.floorMarked = random() % 5 > 0;
            film.rollDeg = between(-1, 1) * (film.floorMarked ? 4 : 0.8); // a level phone is level within that
            QString what = QStringLiteral("clean"), trouble;
            double from = 0, to = 0;
            const size_t rep = s.reps.empty() ? 0 : random() % s.reps.size();
            const Wrong* w = s.wrongs.empty() || random() % 4 == 0 ? nullptr : &s.wrongs[random() % s.wrongs.size()];
            if (w) {
                const MadeRep& m = s.reps[rep];
                const auto phase = random() % 3;
                if (phase == 0 && w->onTheWay) from = m.out_s + 0.4 * (m.top_s - m.out_s), to = m.top_s + 0.2;
                if (phase == 1 && w->inTheHold)
                    from = m.top_s + between(0.2, 0.4) * (m.back_s - m.top_s), to = m.back_s - 0.1;
                if (phase == 2 && w->back) from = m.back_s + 0.25 * (m.end_s - m.back_s), to = m.end_s - 0.1;
                if (w->throughout) from = -1, to = s.motion.end_s() + 1;
                if (to - from < 0.9) w = nullptr;
            }
            const Wrong chosen = w ? *w : Wrong{};
            if (w) {
                const double amount = chosen.amount * between(1, 1.1);
                s.motion.wrong(chosen.what, amount, from, to, 0.3);
                what =
                    QStringLiteral("%1 %2 at %3 of rep %4").arg(chosen.what.c_str()).arg(amount).arg(from).arg(rep + 1);
            }
            for (MadeRep& m : s.reps)
                for (double* t : {&m.out_s, &m.top_s, &m.back_s, &m.end_s}) *t *= film.slower;
            const Review r = reviewOf(s, film);
            trouble =
                w ? troubleWith(s, r, chosen, rep, from * film.slower, 0.3 * film.slower) : troubleWithClean(s, r);
            trouble += troubleWithLetter(r);
            if (!trouble.isEmpty())
                troubles << QStringLiteral("%6: %1 (%2, %3 a second, %4 × slower, %5%7): ")
                                    .arg(s.name().c_str(), what)
                                    .arg(film.rateHz)
                                    .arg(film.slower)
                                    .arg(rest ? "from rest" : "in position")
                                    .arg(n)
                                    .arg(film.floorMarked ? "" : ", no floor") +
                                trouble + told(r);
        }
        report(troubles, all);
    }
    /// At the wall: ribs and pelvis leave, and come back, together or one after the other.
    void turnedInTwoPieces() {
        struct Way {
            const char *out, *back; ///< what goes first
        };
        for (const auto& [way, faults] : {std::pair<Way, std::set<std::string>>{{"", ""}, {}},
                                          {{"shoulders", ""}, {"lead"}},
                                          {{"hips", ""}, {"lag"}},
                                          {{"", "shoulders"}, {"lead"}},
                                          {{"", "hips"}, {"lag"}}}) {
            Motion m(Person{}, atAWall, {});
            m.stay(3);
            const auto turn = [&](const std::string& first, double to, double half) {
                if (first.empty()) return void(m.to({{"hips", to}, {"shoulders", to}}, 1.5));
                const std::string last = first == "hips" ? "shoulders" : "hips";
                m.to({{first, to}, {last, half}}, 0.9).to({{last, to}}, 0.9);
            };
            for (int rep = 0; rep < 2; ++rep) {
                turn(way.out, 50, 14);
                m.stay(2);
                turn(way.back, 0, 36);
                m.stay(1.5);
            }
            const Review r = reviewOf({"wall-turn", "close", m, {}, {}, false});
            std::set<std::string> found;
            for (const Fault& f : r.findings.faults)
                if (f.certainty == Certainty::Clear) found.insert(f.id);
            QVERIFY2(found == faults && r.events.reps.size() == 2,
                     qPrintable(QString(way.out) + "/" + way.back + told(r)));
        }
    }
    /// A bridge that never comes up to the line; and one in one piece, for the school that rolls it up.
    void bridgesOfTheirOwn() {
        const auto found = [](double lift, const Schools& schools) {
            Motion m(Person{}, bridging, {});
            m.stay(3);
            std::vector<MadeRep> reps(2);
            for (int rep = 0; rep < 2; ++rep) m.to({{"lift", lift}}, 1.5).stay(4).to({{"lift", 0}}, 1.5).stay(1.5);
            const Review r = reviewOf({"bridge", "both", m, reps, {}, false}, {}, schools);
            std::map<std::string, std::set<int>> out;
            for (const Fault& f : r.findings.faults)
                if (f.certainty == Certainty::Clear) out[f.id].insert(f.rep);
            return out;
        };
        using Found = std::map<std::string, std::set<int>>;
        QCOMPARE(found(28, {}), Found{});
        QCOMPARE(found(14, {}), (Found{{"off-line", {0, 1}}}));
        QCOMPARE(found(28, {{"bridge", "segmental"}}), (Found{{"in-one-piece", {0, 1}}}));
    }
    /// Played mirrored, the side of the body that is seen is the other one, and nothing else changes.
    void mirroredSwapsTheSide() {
        for (const Scene& s : scenes(Person{}, true)) {
            if (s.version != "opposite" && s.version != "one-straight" && s.version != "forward") continue;
            Motion::Film film;
            const Review a = reviewOf(s, film);
            film.mirrored = true;
            const Review b = reviewOf(s, film);
            if (a.exercise.view != "side" || !a.exercise.eachSide) continue;
            QVERIFY(a.events.reps.at(0).side != b.events.reps.at(0).side);
            QCOMPARE(a.decision.step, b.decision.step);
            QCOMPARE(a.decision.target.hold_s, b.decision.target.hold_s);
        }
    }
    /// Who lies on the right side works on the right: the letter must not say left.
    void sideOfASidePlank() {
        for (const Scene& s : scenes(Person{}, true)) {
            if (s.name() != "side-plank/hold" && s.name() != "side-plank/up-down") continue;
            Tracks tracks = s.motion.tracks();
            for (const bool right : {false, true}) {
                if (right)
                    for (const char* name : {"shoulder", "hip", "knee", "ankle"})
                        std::swap(tracks.landmark[std::string(name) + "_l"], tracks.landmark[std::string(name) + "_r"]);
                ReviewInputs in;
                in.exercise = s.exercise, in.asked.version = s.version;
                const Review r = measureReview(shippedCatalogue(), in, clipOf(tracks), tracks).value();
                QCOMPARE(r.events.reps.size(), s.reps.size());
                for (const Rep& rep : r.events.reps) QCOMPARE(rep.side, std::string(right ? "right" : "left"));
            }
        }
    }
    /// Fewer pictures a second change no verdict but to "cannot tell".
    void fewerPicturesASecond() {
        QStringList troubles;
        int all = 0;
        for (const Scene& s : scenes(Person{}, true)) {
            Motion::Film film;
            film.rateHz = 15;
            ++all;
            const Review r = reviewOf(s, film);
            for (const Fault& f : r.findings.faults)
                if (f.certainty == Certainty::Clear)
                    troubles << QString::fromStdString(s.name() + ": " + f.id + " is not there") + told(r);
        }
        report(troubles, all);
    }

    /// What one school asks another may call a fault, but a clean movement in the usual one is none in any.
    void everySchool() {
        QStringList troubles;
        int all = 0;
        std::set<std::string> seen;
        for (const Scene& s : scenes(Person{}, true)) {
            Exercise e = shipped().form({s.exercise, s.version}).value();
            if (!s.view.empty()) e = shipped().inView(e, s.view).value();
            if (!isLong() && !seen.insert(s.exercise + s.view).second) continue; // one version of each
            for (const SchoolsAnswer& answer : e.schools)
                for (const SchoolChoice& choice : shipped().schools().find(answer.question)->choices) {
                    if (choice.id == answer.defaultChoice || !shipped().inSchools(e, {{answer.question, choice.id}}))
                        continue;
                    ++all;
                    const Review r = reviewOf(s, {}, {{answer.question, choice.id}});
                    QString trouble = troubleWithLetter(r);
                    if (r.events.reps.size() != s.reps.size()) trouble += QStringLiteral("other reps; ");
                    for (const Fault& f : r.findings.faults)
                        if (f.certainty == Certainty::Clear && f.id != "in-one-piece") // no made bridge is rolled
                            trouble += QStringLiteral("%1 is not there; ").arg(f.id.c_str());
                    if (!trouble.isEmpty())
                        troubles << QString::fromStdString(s.name() + ", " + choice.id + ": ") + trouble + told(r);
                }
        }
        report(troubles, all);
    }

    void wrong_data() {
        QTest::addColumn<bool>("rest");
        QTest::addColumn<QString>("phase");
        for (const bool rest : isLong() ? std::vector<bool>{true, false} : std::vector<bool>{true})
            for (const char* phase : {"out", "hold", "back"})
                QTest::addRow("%s, %s", phase, rest ? "from rest to rest" : "from position to position")
                    << rest << phase;
    }
    void wrong() {
        QFETCH(bool, rest);
        QFETCH(QString, phase);
        QStringList troubles;
        int all = 0;
        for (const Scene& s : scenes(Person{}, rest))
            for (const Wrong& w : s.wrongs) {
                if (phase == "out" ? !w.onTheWay : phase == "hold" ? !w.inTheHold : !w.back) continue;
                const size_t rep = std::min<size_t>(1, s.reps.size() - 1);
                const MadeRep& made = s.reps[rep];
                double from = 0, to = 0, ramp = 0.3;
                if (phase == "out")
                    from = made.out_s + 0.4 * (made.top_s - made.out_s), to = made.top_s + 0.2;
                else if (phase == "hold")
                    from = made.top_s + 0.3 * (made.back_s - made.top_s), to = made.back_s - 0.1;
                else
                    from = made.back_s + 0.25 * (made.end_s - made.back_s), to = made.end_s - 0.1;
                if (w.throughout) from = -1, to = s.motion.end_s() + 1;
                if (to - from < 0.9) continue; // too short to be done
                Scene one = s;
                one.motion.wrong(w.what, w.amount, from, to, ramp);
                ++all;
                const Review r = reviewOf(one);
                if (const QString trouble = troubleWith(one, r, w, rep, from, ramp) + troubleWithLetter(r);
                    !trouble.isEmpty())
                    troubles << QStringLiteral("%1, %2 %3 %4: ")
                                        .arg(s.name().c_str(), w.what.c_str())
                                        .arg(w.amount)
                                        .arg(phase) +
                                    trouble + told(r);
            }
        report(troubles, all);
    }
};

QTEST_MAIN(MotionsTest)
#include "motions_test.moc"
