// SPDX-License-Identifier: GPL-3.0-or-later
// Every head in a picture is covered, however the camera stands, or nobody says that it is.
#include "detection/heads.h"
#include "figure/film.h"

#include <QTest>
#include <opencv2/imgproc.hpp>

using namespace deft;
using namespace deft::figure;

class HeadsTest : public QObject {
    Q_OBJECT
    std::optional<Result<KeypointNetwork>> network_;

    static Scene sceneOf(const std::string& name, double yawDeg) {
        Scene s = readScene(DEFT_TEST_DATA "/accuracy/scenes/" + name + ".json").value();
        s.supersample = 1, s.roomSamples = 1;
        s.camera.width = 640, s.camera.height = 360, s.camera.focalPx /= 2;
        const double a = yawDeg * M_PI / 180, distance = std::hypot(s.camera.position.x(), s.camera.position.z());
        s.camera.position.x() = float(distance * std::sin(a)), s.camera.position.z() = float(distance * std::cos(a));
        return s;
    }
    /// The parts of a face that lie outside of all circles.
    static QStringList uncovered(const std::vector<deft::Head>& heads, const std::map<std::string, TruePoint>& face,
                                 double dx = 0) {
        QStringList out;
        for (const auto& [name, p] : face)
            if (std::none_of(heads.begin(), heads.end(), [&, &at = p](const deft::Head& h) {
                    return (Point2(at.x + dx, at.y) - h.centre).norm() < h.radius;
                }))
                out << QString::fromStdString(name);
        return out;
    }

private slots:
    void initTestCase() {
        network_.emplace(KeypointNetwork::load(KeypointNetwork::usualPlace()));
        if (!*network_) QSKIP("the keypoint network is not there");
    }

    /// No frame with any of nose, mouth, eyes and ears outside; and most frames can be sent.
    void everyPositionAndTurn() {
        const bool longRun = qEnvironmentVariableIsSet("DEFT_LONG");
        const std::vector<double> turns =
            longRun ? std::vector<double>{-60, -50, -40, -20, 0, 20, 40, 50, 60} : std::vector<double>{-50, 0, 50};
        const std::vector<double> times = longRun ? std::vector<double>{0.5, 2.4, 3.2, 4.8} : std::vector<double>{3.0};
        int frames = 0, sent = 0, straight = 0, straightSent = 0;
        for (const char* name :
             {"bridge-plain", "curl-up-plain", "leg-lower-plain", "reach-plain", "round-plain", "forearm-plank-plain",
              "back-raise-plain", "side-plank-plain", "open-knee-plain", "stand-plain", "scan-plain"})
            for (const double turn : turns) {
                const FilmStudio studio(sceneOf(name, turn));
                std::optional<FoundBody> before;
                for (const double t : times) {
                    const FilmedFrame f = studio.frame(t);
                    const auto heads = findHeads(**network_, f.picture, std::nullopt, &before);
                    ++frames, straight += turn == 0;
                    if (!heads) continue; // refused, with a reason
                    ++sent, straightSent += turn == 0;
                    const QStringList left = uncovered(*heads, f.face);
                    QVERIFY2(left.isEmpty(), qPrintable(QStringLiteral("%1, turned %2, %3 s: %4 uncovered")
                                                            .arg(QLatin1String(name))
                                                            .arg(turn)
                                                            .arg(t)
                                                            .arg(left.join(QLatin1Char(' ')))));
                }
            }
        qInfo("%d of %d frames can be sent, of those filmed square %d of %d", sent, frames, straightSent, straight);
        QVERIFY(sent >= 0.75 * frames && straightSent >= 0.9 * straight);
    }

    /// Somebody else in the picture is covered, too.
    void twoPeople() {
        int both = 0, tried = 0;
        for (const auto& [left, right] : {std::pair{"scan-plain", "stand-plain"},
                                          {"bridge-plain", "scan-plain"},
                                          {"reach-plain", "stand-plain"},
                                          {"scan-plain", "scan-plain"}}) {
            const FilmedFrame a = FilmStudio(sceneOf(left, 0)).frame(3), b = FilmStudio(sceneOf(right, 0)).frame(3);
            cv::Mat picture;
            cv::hconcat(a.picture, b.picture, picture);
            const auto heads = findHeads(**network_, picture, std::nullopt);
            ++tried;
            if (!heads) continue;
            const QStringList open = uncovered(*heads, a.face) + uncovered(*heads, b.face, a.picture.cols);
            QVERIFY2(open.isEmpty(),
                     qPrintable(QStringLiteral("%1 and %2: %3 uncovered")
                                    .arg(QLatin1String(left), QLatin1String(right), open.join(QLatin1Char(' ')))));
            ++both;
        }
        QVERIFY(both >= 2 && tried == 4);
    }

    /// Marks that lie elsewhere than the head that is seen: then nobody can say that it is covered.
    void marksThatDisagree() {
        const FilmedFrame f = FilmStudio(sceneOf("scan-plain", 0)).frame(1);
        const Point2 ear(f.face.at("ear_l").x, f.face.at("ear_l").y);
        QVERIFY(findHeads(**network_, f.picture, deft::Head{ear, 45}).has_value());
        QCOMPARE(findHeads(**network_, f.picture, deft::Head{ear + Vector2(-250, 40), 45}).error().code,
                 Errc::Conflict);
    }

    void nobodyThere() {
        QCOMPARE(findHeads(**network_, cv::Mat(360, 640, CV_8UC3, cv::Scalar(90, 100, 110)), std::nullopt).error().code,
                 Errc::NotFound);
    }
};

QTEST_GUILESS_MAIN(HeadsTest)
#include "heads_test.moc"
