// SPDX-License-Identifier: GPL-3.0-or-later
// The keypoint network and what is made of it: known points, the made figure in every position, pictures without
// anybody. Skipped, and said so, where the network has not been fetched; the program then works without it as well.
#include "base/json.h"
#include "figure/room.h"
#include "proposals/propose.h"
#include "signal/resample.h"
#include "support/catalogue.h"
#include "support/posed_figure.h"
#include "support/table.h"
#include "video/clip_reader.h"

#include <QDir>
#include <QImage>
#include <QTemporaryDir>
#include <QTest>
#include <opencv2/imgproc.hpp>

using namespace deft;
using namespace deft::test;

namespace {

cv::Mat readPicture(const QString& path) {
    const QImage image = QImage(path).convertToFormat(QImage::Format_RGB888);
    cv::Mat bgr;
    if (image.isNull()) return bgr; // the package has damaged pictures for its own tests
    cv::cvtColor(cv::Mat(image.height(), image.width(), CV_8UC3, const_cast<uchar*>(image.constBits()),
                         size_t(image.bytesPerLine())),
                 bgr, cv::COLOR_RGB2BGR);
    return bgr;
}

/// One sample a pixel is fine enough for a network that looks at 256 of them.
figure::Scene quick(const FigureView& v, bool headLeft, bool stickers) {
    figure::Scene scene = figureScene(v, headLeft, stickers);
    scene.supersample = 1;
    return scene;
}

} // namespace

class BodyFinderTest : public QObject {
    Q_OBJECT
    std::optional<Result<KeypointNetwork>> network_;

private slots:
    void initTestCase() {
        network_.emplace(KeypointNetwork::load(KeypointNetwork::usualPlace()));
        if (!*network_) QSKIP(network_->error().detail().c_str());
    }

    /// Same pictures, same points as the published graph gives in its own library (tests/reference/10_keypoints).
    void knownPoints() {
        const Json expected = referenceJson("10_keypoints/expected.json");
        for (const auto& [name, points] : expected.at("points").items()) {
            const auto path = QString::fromStdString(reference("10_keypoints/" + name + ".png"));
            const KeypointPass pass = (*network_)->pass(readPicture(path));
            for (size_t k = 0; k < kKeypoints; ++k) {
                NEAR(pass.points[k].place.x(), points[k][0].get<double>(), 0.1);
                NEAR(pass.points[k].place.y(), points[k][1].get<double>(), 0.1);
                NEAR(pass.points[k].score, points[k][2].get<double>(), 0.005);
            }
        }
    }

    /// In each position, with the head to either side: found, told how it lies and is seen, and the joints near enough
    /// to start from. The table goes into docs/accuracy.md.
    void everyPosition() {
        size_t near = 0, fair = 0, all = 0;
        for (const FigureView& v : figureViews())
            for (const bool headLeft : {true, false}) {
                const auto where = v.exercise + (headLeft ? ", head left" : ", head right");
                const figure::FilmStudio studio(quick(v, headLeft, false));
                const auto film = studio.frame(0.4); // at the far end, and from the start what it looks like
                const auto body = findBody(**network_, film.picture);
                const bool moves = v.position == "all-fours"; // the others hold their place from the start
                const auto start = moves ? findBody(**network_, studio.frame(0).picture) : body;
                QVERIFY2(start && body, where.c_str());
                const auto asked = shipped().exercise(v.exercise).value();
                const BodyFacts facts = factsOf(shipped(), {*start, *body}, 960, 540, nullptr),
                                told = factsOf(shipped(), {*start, *body}, 960, 540, &asked);
                QVERIFY2(facts.position == v.lies, (where + ": " + facts.position).c_str());
                QVERIFY2(facts.view == v.view && told.view == v.view, (where + ": " + facts.view).c_str());
                if (v.position != "standing" || v.view == "side") QCOMPARE(facts.headLeft, headLeft);
                QVERIFY2(!facts.anotherPerson && facts.cutAt.empty(), where.c_str());

                const auto at = [&](const std::string& name) {
                    const auto& p = film.joints.at(name);
                    return Point2(p.x, p.y);
                };
                const double torso = (at("shoulder_l") + at("shoulder_r") - at("hip_l") - at("hip_r")).norm() / 2;
                const bool leftNear = (v.view == "side") && told.leftNear;
                std::map<std::string, Point2> joints;
                if (v.view == "side")
                    for (const auto& [name, p] : jointsOfSide(*body, leftNear))
                        joints[name + (leftNear ? "_l" : "_r")] = p.place;
                else
                    for (const auto& [name, p] : jointsOfBoth(*body, told.exchanged)) joints[name] = p.place;
                size_t n = 0, within1 = 0, within2 = 0;
                for (const auto& [name, p] : joints) {
                    if (!film.joints.count(name)) continue;
                    const double off = (p - at(name)).norm() / torso;
                    ++n, within1 += off <= 0.1, within2 += off <= 0.2;
                }
                qInfo("%-28s presence %.2f, joints %zu, within 0.1 torso %zu, within 0.2 %zu", where.c_str(),
                      body->presence, n, within1, within2);
                QVERIFY2(n >= 5, where.c_str());
                near += within1, fair += within2, all += n;
            }
        qInfo("all: %zu joints, %.0f %% within 0.1 torso, %.0f %% within 0.2", all, 100.0 * double(near) / double(all),
              100.0 * double(fair) / double(all));
        QVERIFY(double(near) >= 0.80 * double(all));
        QVERIFY(double(fair) >= 0.95 * double(all));
    }

    /// A quarter turn of the phone changes nothing but the direction.
    void anyWayRound() {
        const auto film = figure::FilmStudio(quick(figureViews()[3], true, false)).frame(0);
        const auto upright = findBody(**network_, film.picture);
        cv::Mat turned;
        cv::rotate(film.picture, turned, cv::ROTATE_90_CLOCKWISE);
        const auto lying = findBody(**network_, turned);
        QVERIFY(upright && lying);
        for (const Keypoint k : {HipLeft, KneeLeft, AnkleLeft}) {
            const Point2 p = upright->at(k), q(film.picture.rows - 1 - p.y(), p.x());
            NEAR((lying->at(k) - q).norm() / upright->torsoPx(), 0, 0.12);
        }
    }

    /// A second person in the picture is noticed; a body that leaves the picture too.
    void companyAndEdges() {
        const FigureView standing = figureViews()[8];
        const cv::Mat one = figure::FilmStudio(quick(standing, true, false)).frame(0).picture;
        cv::Mat two = one.clone();
        const cv::Rect person(400, 0, 160, 540);
        one(person).copyTo(two(cv::Rect(720, 0, 160, 540)));
        auto facts = [&](const cv::Mat& picture) {
            const auto body = findBody(**network_, picture);
            return body ? std::optional(factsOf(shipped(), {*body}, picture.cols, picture.rows, nullptr))
                        : std::nullopt;
        };
        QVERIFY(facts(one) && !facts(one)->anotherPerson && facts(one)->cutAt.empty());
        QVERIFY(facts(two) && facts(two)->anotherPerson);
        const auto cut = facts(one(cv::Rect(300, 0, 360, 470)).clone());
        QVERIFY(cut && cut->cutAt == std::vector<std::string>{"bottom"});
    }

    /// Twenty pictures in which nobody is: rooms from many places, patterns, noise.
    void nobody() {
        int looked = 0;
        auto abstains = [&](const cv::Mat& picture, const std::string& what) {
            ++looked;
            const auto body = findBody(**network_, picture);
            QVERIFY2(!body, (what + " has " + std::to_string(body ? body->presence * body->bodyScore() : 0)).c_str());
        };
        cv::RNG random(5);
        for (const std::string& room : figure::roomNames())
            for (const float height : {0.4f, 1.1f, 1.7f})
                for (const float aside : {-0.9f, 0.8f}) {
                    figure::Camera camera;
                    camera.width = 480, camera.height = 270, camera.focalPx = 520;
                    camera.position = {aside, height, 3};
                    const auto r = figure::renderRoom(room, camera, {0.06f, 0.2f, 0.25f}, 1);
                    cv::Mat picture;
                    cv::Mat(r.sky + r.key).convertTo(picture, CV_8UC3, 255);
                    abstains(picture, room);
                }
        for (int k = 0; k < 8; ++k) {
            cv::Mat3b picture(360, 480, cv::Vec3b(uchar(30 * k), 90, 120));
            for (int shape = 0; shape < 6 * k; ++shape) {
                const cv::Point at(random.uniform(0, 480), random.uniform(0, 360)),
                    to(random.uniform(0, 480), random.uniform(0, 360));
                const cv::Scalar colour(random.uniform(0, 255), random.uniform(0, 255), random.uniform(0, 255));
                if (k % 2)
                    cv::line(picture, at, to, colour, random.uniform(2, 40), cv::LINE_AA);
                else
                    cv::ellipse(picture, at, {random.uniform(5, 90), random.uniform(5, 60)}, random.uniform(0, 180), 0,
                                360, colour, -1);
            }
            abstains(picture, "shapes " + std::to_string(k));
        }
        QCOMPARE(looked, 20);
    }

    /// Photographs that a Debian package ships (python3-skimage; tools/photographs fetches them for the long run).
    void photographs() {
        const QDir folder(qEnvironmentVariable("DEFT_PHOTOGRAPHS"));
        if (!qEnvironmentVariableIsSet("DEFT_PHOTOGRAPHS") || !folder.exists()) QSKIP("part of ./check --long");
        for (const QFileInfo& file :
             folder.entryInfoList({QStringLiteral("*.png"), QStringLiteral("*.jpg")}, QDir::Files, QDir::Name)) {
            const cv::Mat picture = readPicture(file.filePath());
            if (picture.empty() || picture.cols < 100) continue;
            const auto body = findBody(**network_, picture);
            const bool person =
                file.baseName() == QStringLiteral("astronaut") || file.baseName() == QStringLiteral("camera");
            qInfo("%-22s %s", qPrintable(file.fileName()),
                  body ? qPrintable(QStringLiteral("somebody, presence %1").arg(body->presence, 0, 'f', 2)) : "nobody");
            QVERIFY2(person || !body, qPrintable(file.fileName()));
        }
    }

    /// Proposals against the true points on the skin, for the exercise that was asked. Two views here; every position,
    /// both directions, in the long run, whose table goes into docs/accuracy.md.
    void proposedMarks() {
        struct Tally {
            std::vector<double> off; ///< torso lengths
            int inside = 0;          ///< the ring that is drawn around them
        };
        std::map<std::string, Tally> bySource;
        const bool all = qEnvironmentVariableIsSet("DEFT_LONG");
        QTemporaryDir dir;
        for (size_t k = 0; k < figureViews().size(); ++k)
            for (const bool headLeft : {true, false})
                for (const bool stickers : {true, false}) {
                    const FigureView& v = figureViews()[k];
                    if (!all && (!headLeft || (k != 3 && k != 7))) continue;
                    figure::Scene scene = quick(v, headLeft, stickers);
                    const auto exercise = shipped().exercise(v.exercise).value();
                    scene.marks = exercise.landmarksNeeded;
                    for (const auto& [name, why] : exercise.landmarksOptional) scene.marks.push_back(name);
                    const std::string clip = dir.filePath(QStringLiteral("clip.mp4")).toStdString();
                    if (const auto filmed = figure::filmScene(scene, clip); !filmed)
                        QFAIL((v.exercise + ": " + filmed.error().detail()).c_str());
                    const Marks truth =
                        readMarks(dir.filePath(QStringLiteral("clip.marks.json")).toStdString()).value();
                    auto reader = ClipReader::open(clip).value();
                    const auto p = proposeMarks(shipped(), reader, *network_, exercise, {}).value();
                    QVERIFY2(p.facts && p.frame == 0, v.exercise.c_str());
                    const auto& points = truth.frames.at(0).points;
                    const auto place = [&](const char* name) {
                        if (const auto it = points.find(name); it != points.end() && it->second) return *it->second;
                        return Point2((*points.at(std::string(name) + "_l") + *points.at(std::string(name) + "_r")) /
                                      2);
                    };
                    const double torso = (place("shoulder") - place("hip")).norm();
                    for (const auto& [name, mark] : p.marks) {
                        const auto it = points.find(name);
                        if (it == points.end() || !it->second) continue; // the camera cannot see it
                        Tally& t = bySource[sourceName(mark.from)];
                        const double off = (mark.at - *it->second).norm();
                        t.off.push_back(off / torso);
                        t.inside +=
                            off <= std::max(1.5, kU95Circle * mark.sd); // a pixel and a half is as good as on it
                    }
                }
        for (auto& [source, t] : bySource) {
            std::sort(t.off.begin(), t.off.end());
            const auto share = [&](double s) { return t.off[size_t(s * double(t.off.size() - 1))]; };
            qInfo("%-9s %3zu points, median %.3f, 90 %% within %.3f torso lengths, inside the ring %.0f %%",
                  source.c_str(), t.off.size(), share(0.5), share(0.9), 100.0 * t.inside / double(t.off.size()));
        }
        QVERIFY(bySource["keypoint"].off.size() >= 10 && bySource["sticker"].off.size() >= 4);
        QVERIFY(medianOf(bySource["keypoint"].off) < 0.12 && medianOf(bySource["layout"].off) < 0.12);
        QVERIFY(medianOf(bySource["sticker"].off) < 0.01);
    }

    /// The demo's stand, a leg lifted twice: the body is seen every eight seconds or so to the clip's end, its joints
    /// where the true points are to within a quarter of the trunk (those lie on the outline, joints inside).
    void followsTheBody() {
        const std::filesystem::path clip = DEFT_SOURCE_DIR "/demo/clips/saoirse-stand-may.mp4";
        auto reader = ClipReader::open(clip).value();
        const Table truth = readTable(std::filesystem::path(clip).replace_extension(".truth.csv").string());
        const auto p =
            proposeMarks(shipped(), reader, *network_, shipped().exercise("one-leg-stand").value(), {}).value();
        double before = 0;
        int all = 0, near = 0;
        for (const MarkedFrame& seed : p.seeds) {
            QVERIFY2(seed.time_s - before < 11, qPrintable(QString::number(before)));
            before = seed.time_s;
            const auto i = size_t(reader.info().frameAt(seed.time_s));
            const auto at = [&](const std::string& name) {
                return Point2(truth[name + "_x"][i], truth[name + "_y"][i]);
            };
            const double trunk = (at("shoulder_l") - at("hip_l")).norm();
            for (const auto& [name, joint] : seed.points) ++all, near += (*joint - at(name)).norm() < 0.25 * trunk;
        }
        QVERIFY(reader.info().duration_s - before < 11);
        QVERIFY2(near >= 0.95 * all, qPrintable(QStringLiteral("%1 of %2").arg(near).arg(all)));
    }

    void notTheNetwork() {
        const auto none = KeypointNetwork::load("/nowhere/keypoints.onnx");
        QCOMPARE(none.error().code, Errc::NotFound);
        QVERIFY(none.error().detail().find("./start") != std::string::npos);
        QCOMPARE(KeypointNetwork::load(DEFT_SOURCE_DIR "/README.md").error().code, Errc::BadFormat);
    }
};

QTEST_GUILESS_MAIN(BodyFinderTest)
#include "body_finder_test.moc"
