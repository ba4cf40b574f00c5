// SPDX-License-Identifier: GPL-3.0-or-later
// Fifteen exercises, every position: a made clip with one fault is filmed, followed, read, decided on and answered. The
// fault is found, nothing else that does not follow from it, and the answer cues the head of the chain. The long run
// films every exercise so, once clean and once with each fault of its drawings.
#include "analysis/analyse.h"
#include "answer/answer.h"
#include "support/catalogue.h"
#include "support/puppet_clip.h"

#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class MadeClipsTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    /// Do two marks come nearer to each other than their stickers are wide?
    static bool stickersMeet(const Exercise& e, const DrawnMovement& m) {
        for (double t = 0; t < drawnLength_s(e, m); t += 0.1) {
            const auto points = drawnPoints(e, m, t);
            for (auto a = points.begin(); a != points.end(); ++a)
                for (auto b = std::next(a); b != points.end(); ++b)
                    if (!a->first.starts_with("far_") && !b->first.starts_with("far_") &&
                        (a->second - b->second).norm() < 14)
                        return true;
        }
        return false;
    }

private slots:
    void clipToAnswer_data() {
        QTest::addColumn<QString>("id");
        QTest::addColumn<QString>("fault"); // empty = a clean clip
        for (const auto& [id, fault] : {std::pair{"arm-leg-reach", "over-lift"},
                                        {"ball-push-back", "tuck"},
                                        {"march", "knee-past-hip"},
                                        {"curl-up", "head-pulled"},
                                        {"leg-lower", ""},
                                        {"bridge", "back-bend"},
                                        {"forearm-plank", "sag"},
                                        {"rollout", "round-lost"},
                                        {"open-knee", "roll-back"},
                                        {"leg-sweep", "back-leaves-wall"},
                                        {"one-leg-stand", "side-lean"},
                                        {"posture-scan", "forward-head"},
                                        {"hip-stretch", "arch"},
                                        {"prone-leg-lift", "twist"},
                                        {"band-external-rotation", "elbow-wanders"}})
            QTest::newRow(id) << QString::fromLatin1(id) << QString::fromLatin1(fault);
        if (!qEnvironmentVariableIsSet("DEFT_LONG")) return;
        for (const std::string& id : shipped().exerciseIds()) {
            const QString name = QString::fromStdString(id);
            QTest::addRow("%s, clean", id.c_str()) << name << QString();
            const Exercise e = shipped().exercise(id).value();
            for (const auto& [fault, looks] : e.wrong)
                QTest::addRow("%s, %s", id.c_str(), fault.c_str()) << name << QString::fromStdString(fault);
        }
    }
    void clipToAnswer() {
        QFETCH(QString, id);
        QFETCH(QString, fault);
        const bool small = QByteArray(QTest::currentDataTag()).contains(',');
        const Exercise e = shipped().exercise(id.toStdString()).value();
        DrawnMovement m;
        m.reps = 1, m.hold_s = 2, m.fps = 25, m.fault = fault.toStdString();
        double top = 0;
        for (const auto& [name, p] : e.end) top = std::max(top, p.y());
        m.pxPerUnit = std::min(5.0, 560 / top); // a standing body fits, too
        const ReviewInputs in = filmPuppet(e, m, dir_.filePath(id + QStringLiteral(".mp4")).toStdString());
        QVERIFY(!in.clipPath.empty());
        const auto r = analyse(shippedCatalogue(), in);
        QVERIFY2(r.has_value(), r ? "" : r.error().detail().c_str());
        QCOMPARE(r->exercise.view, e.view); // found from the marks
        std::set<std::string> found;
        QString told;
        for (const Rep& rep : r->events.reps) told += QStringLiteral("rep %1 to %2; ").arg(rep.start_s).arg(rep.end_s);
        for (const Fault& f : r->findings.faults) {
            if (f.certainty == Certainty::Clear) found.insert(f.id);
            told += QStringLiteral("%1 %2±%3 ").arg(f.id.c_str()).arg(f.worst).arg(f.u95);
        }
        // A mark that passes over another one too quickly to be followed itself may be taken for it while they overlap.
        const bool meet = stickersMeet(e, m);
        const double most_px = meet ? 16 : 8;
        bool covered = false;
        for (const auto& [name, points] : r->tracks().landmark) {
            const auto weak = std::count_if(points.begin(), points.end(),
                                            [](const TrackPoint& p) { return p.state != PointState::Seen; });
            covered = covered || weak > 3;
            double off = 0;
            for (size_t i = 0; i < points.size(); ++i) {
                const double here = (points[i].at - drawnPoints(e, m, r->tracks().time_s[i]).at(name)).norm();
                off = std::max(off, here);
                QVERIFY2(points[i].state != PointState::Seen || here < most_px,
                         qPrintable(QStringLiteral("%1 told seen, %2 px off, at %3 s")
                                        .arg(name.c_str())
                                        .arg(here)
                                        .arg(r->tracks().time_s[i])));
            }
            if (off > 3) told += QStringLiteral("%1 up to %2 px off; ").arg(name.c_str()).arg(off);
            if (weak > 3)
                told += QStringLiteral("%1 not seen in %2 of %3; ").arg(name.c_str()).arg(weak).arg(points.size());
        }
        if (stickersMeet(e, m) && covered)
            return; // one sticker covers another: then it is enough that none is mistaken
        QVERIFY2(r->events.reps.size() == 1, qPrintable(told));
        for (const SetupVerdict& v : r->findings.setup)
            QVERIFY2(v.verdict != "poor", qPrintable(QString::fromStdString(v.id)));
        if (m.fault.empty())
            QVERIFY2(found.empty(), qPrintable(told));
        else // the smallest ones of the long run may lie within their band
            QVERIFY2(found.count(m.fault) || (small && told.contains(fault)), qPrintable(told));
        for (const std::string& other : found)
            QVERIFY2(other == m.fault || follows(e, other, m.fault), qPrintable(told));

        const Answer answer = composeAnswer(*r);
        const std::string text = answerText(answer);
        QVERIFY(text.find(e.stopRule) != std::string::npos &&
                text.find(scopeNote(*answer.language)) != std::string::npos);
        if (!found.count(m.fault)) {
            QVERIFY(r->decision.cues.empty());
        } else {
            QCOMPARE(r->decision.cues.front().fault, m.fault);
            QVERIFY(text.find(r->decision.cues.front().text) != std::string::npos);
            const std::string& words = e.fault(m.fault)->told;
            QVERIFY(text.find(words.substr(0, words.find('{'))) != std::string::npos); // up to the side's name
        }
    }
};

QTEST_GUILESS_MAIN(MadeClipsTest)
#include "made_clips_test.moc"
