// Measured against the truth that made clips carry: the same review is made once from the followed marks and once from
// the projected true points. Limits are those that the product promises with stickers on the client; without stickers
// the numbers are reported as they are. DEFT_LONG=1 adds the clip without stickers.
#include "figure/film.h"
#include "landmarks/track_clip.h"
#include "support/demo_review.h"
#include "support/table.h"

#include <QElapsedTimer>
#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class AccuracyTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    /// The true, projected place of every marked landmark in every frame.
    static Tracks truthTracks(const std::filesystem::path& clip, const Marks& marks, const ClipInfo& info) {
        const Table t = readTable(std::filesystem::path(clip).replace_extension(".truth.csv").string());
        Tracks out;
        out.time_s = info.time_s;
        for (const std::string& name : marks.landmarks())
            for (size_t i = 0; i < t.rows; ++i)
                out.landmark[name].push_back(
                    {{t[name + "_x"][i], t[name + "_y"][i]}, 0.02, i == 0 ? PointState::ByHand : PointState::Seen});
        return out;
    }

    struct Compared {
        double rms = 0, coverage = 0, measured = 0;
    };
    static Compared compare(const Review& seen, const Review& truth, const char* measure) {
        const Series &s = *seen.series.find(measure), &t = *truth.series.find(measure);
        Compared c;
        int n = 0;
        for (size_t i = 0; i < s.value.size(); ++i) {
            if (!std::isfinite(s.value[i])) continue;
            const double off = s.value[i] - t.value[i];
            c.rms += off * off, ++n;
            c.coverage += std::abs(off) <= s.u95[i];
        }
        c.rms = std::sqrt(c.rms / std::max(1, n)), c.coverage /= std::max(1, n),
        c.measured = double(n) / double(s.value.size());
        return c;
    }

    static std::pair<Review, Review> reviews(const std::filesystem::path& clip, ReviewInputs in) {
        in.clipPath = clip.string();
        auto reader = ClipReader::open(clip).value();
        in.marks = readMarks(std::filesystem::path(clip).replace_extension(".marks.json")).value();
        QElapsedTimer clock;
        clock.start();
        Tracks tracks = trackClip(reader, in.marks).value();
        qInfo("tracked %lld frames, %.1f ms each", static_cast<long long>(reader.info().frames()),
              double(clock.elapsed()) / double(reader.info().frames()));
        const Tracks truth = truthTracks(clip, in.marks, reader.info());
        return {measureReview(in, reader.info(), std::move(tracks)).value(),
                measureReview(in, reader.info(), truth).value()};
    }

    static void report(const Review& seen, const Review& truth) {
        for (const char* m : {"tilt", "pelvis_on_trunk", "trunk", "hip_angle", "knee_angle", "hip_height", "sag"}) {
            const Compared c = compare(seen, truth, m);
            qInfo("%-16s RMS %.3f, inside its band %.1f %%, measured in %.1f %% of frames", m, c.rms, 100 * c.coverage,
                  100 * c.measured);
        }
    }

    /// What is promised with stickers.
    static void verifyPromise(const Review& seen, const Review& truth) {
        report(seen, truth);
        for (const char* m : {"tilt", "pelvis_on_trunk"}) {
            const Compared c = compare(seen, truth, m);
            QVERIFY2(c.rms <= 0.7, m);
            QVERIFY2(c.coverage >= 0.90, m);
            QVERIFY2(c.measured >= 0.98, m);
        }
        QCOMPARE(seen.events.reps.size(), truth.events.reps.size());
        const double frame = 1 / seen.clip.medianRateHz;
        for (size_t k = 0; k < seen.events.reps.size(); ++k) {
            const Hold &a = seen.events.reps[k].hold, &b = truth.events.reps[k].hold;
            qInfo("rep %zu: hold %.3f s (true %.3f), clean %.3f s (true %.3f)", k + 1, a.duration_s(), b.duration_s(),
                  a.clean_s, b.clean_s);
            NEAR(a.duration_s(), b.duration_s(), 2 * frame);
            QCOMPARE(a.first_break_s.has_value(), b.first_break_s.has_value());
            if (a.first_break_s) NEAR(*a.first_break_s, *b.first_break_s, 0.1);
            const auto &x = seen.events.reps[k].break_s, &y = truth.events.reps[k].break_s;
            QCOMPARE(x.has_value(), y.has_value());
            if (x) NEAR(*x, *y, 0.1);
        }
        for (const Review* r : {&seen, &truth})
            for (const Fault& f : r->findings.faults)
                qInfo("%s rep %d: worst %.2f ± %.2f, limit %.1f", f.id.c_str(), f.rep + 1, f.worst, f.u95, f.limit);
        QCOMPARE(seen.findings.order.act, truth.findings.order.act);
        QCOMPARE(seen.decision.step, truth.decision.step);
    }

private slots:
    void withStickers_data() {
        QTest::addColumn<QString>("name");
        QTest::newRow("three reps") << "ruta-bridge-may";
        QTest::newRow("the earlier clip") << "ruta-bridge-april";
    }
    void withStickers() {
        QFETCH(QString, name);
        const auto [seen, truth] = reviews(demoClip(name.toStdString()), demoInputs(name.toStdString()));
        verifyPromise(seen, truth);
        if (name == QLatin1String("ruta-bridge-may")) {
            // As scripted: the first clean, the second sinks late in the hold, the third bends the back on the way up.
            QVERIFY(seen.events.reps[0].hold.brokenBy.empty());
            QCOMPARE(seen.events.reps[1].hold.brokenBy, std::string("level_loss"));
            QCOMPARE(seen.events.reps[2].brokenBy, std::string("pelvis_on_trunk"));
        } else {
            // The tracks that ship with the demo are those that tracking gives now.
            const Tracks shipped = demoTracks();
            for (const auto& [landmark, points] : shipped.landmark)
                for (size_t i = 0; i < points.size(); ++i)
                    NEAR((points[i].at - seen.tracks.landmark.at(landmark)[i].at).norm(), 0, 0.05);
        }
    }

    /// Head to the right, mirrored, the camera rolled, at a variable rate, stored lying on its side.
    void turnedEveryWay() {
        const std::filesystem::path clip = dir_.filePath(QStringLiteral("turned.mp4")).toStdString();
        const auto scene = figure::readScene(DEFT_TEST_DATA "/accuracy/scenes/turned.json").value();
        QVERIFY(figure::filmScene(scene, clip));
        ReviewInputs in;
        in.asked = {"both", 1, std::nullopt, 2.0, std::nullopt, 3};
        const auto [seen, truth] = reviews(clip, in);
        QCOMPARE(seen.clip.rotationDeg, 90);
        QVERIFY(seen.clip.variableRate);
        verifyPromise(seen, truth);
        NEAR(std::abs(seen.series.context.axes.rollDeg), 4.5, 1.0); // and put right: the mat is the level
        // The back bends by 10° while held up (the scene's own numbers; part of a bend shows in the trunk).
        QCOMPARE(seen.events.reps.size(), size_t(1));
        QCOMPARE(seen.events.reps[0].hold.brokenBy, std::string("pelvis_on_trunk"));
    }

    /// Plain clothes move over the body and have little to hold on to. Nothing is promised; the numbers are in
    /// docs/accuracy.md, and this keeps them honest.
    void withoutStickers() {
        if (qEnvironmentVariableIsEmpty("DEFT_LONG")) QSKIP("a long one: ./check --long");
        const auto [seen, truth] = reviews(demoClip("oisin-bridge-may"), demoInputs("oisin-bridge-may"));
        report(seen, truth);
        for (const auto& [name, points] : seen.tracks.landmark) {
            int usable = 0, wrong = 0;
            for (size_t i = 0; i < points.size(); ++i) {
                usable += points[i].usable();
                wrong += points[i].usable() &&
                         (points[i].at - truth.tracks.landmark.at(name)[i].at).norm() > std::max(5.0, 3 * points[i].sd);
            }
            qInfo("%-9s usable in %5.1f %%, wrong without saying so in %5.1f %%", name.c_str(),
                  100.0 * usable / double(points.size()), 100.0 * wrong / double(points.size()));
        }
        // Twice what was measured, and the bands must hold: a wrong number may be missing, but not pass for certain.
        for (const auto& [measure, rms] : {std::pair{"tilt", 2.4},
                                           {"pelvis_on_trunk", 3.2},
                                           {"trunk", 0.9},
                                           {"hip_angle", 0.9},
                                           {"knee_angle", 0.7},
                                           {"hip_height", 1.4}}) {
            QVERIFY2(compare(seen, truth, measure).rms < rms, measure);
            QVERIFY2(compare(seen, truth, measure).coverage >= 0.90, measure);
        }
        QCOMPARE(seen.decision.step, std::string("ask-again"));
    }
};

QTEST_GUILESS_MAIN(AccuracyTest)
#include "accuracy_test.moc"
