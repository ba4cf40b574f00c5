// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/mat_tool.h"

#include "app/bench/stage_picture.h"
#include "app/theme/palette.h"
#include "marks/names.h"

#include <QSettings>

namespace deft::ui {
namespace {

/// What mats of this coach's clients mostly are; kept in the settings.
MatSize usualMat() {
    QSettings settings;
    const MatSize usual;
    return {settings.value(QStringLiteral("mat/length_cm"), usual.length_cm).toDouble(),
            settings.value(QStringLiteral("mat/width_cm"), usual.width_cm).toDouble()};
}

} // namespace

const std::vector<MatSize>& matSizes() {
    static const std::vector<MatSize> sizes = {{173, 61}, {180, 60}, {183, 61}, {185, 66}, {190, 80}, {200, 100}};
    return sizes;
}

void MatTool::start() { (void)begin(); }

void MatTool::cancel() {
    corners_.clear();
    StageTool::cancel();
}

QString MatTool::hint() const {
    if (!isActive()) return {};
    return tr("Mat of %1 × %2 cm: press on its four corners (%3 of 4)")
        .arg(size().length_cm)
        .arg(size().width_cm)
        .arg(corners_.size() + 1);
}

MatSize MatTool::size() const {
    return session_.isOpen() && session_.inputs().marks.mat ? *session_.inputs().marks.mat : usualMat();
}

void MatTool::setSize(const MatSize& size) {
    QSettings settings;
    settings.setValue(QStringLiteral("mat/length_cm"), size.length_cm);
    settings.setValue(QStringLiteral("mat/width_cm"), size.width_cm);
    if (session_.isOpen() && !session_.isFiled() && session_.inputs().marks.mat)
        session_.edit(tr("size of the mat"), [&](ReviewInputs& in) { in.marks.mat = size; });
    stage_.update();
}

void MatTool::paint(QPainter& p, const QTransform& toView) const {
    if (!isActive()) return;
    QPolygonF line;
    for (const QPointF& c : corners_) line << toView.map(c);
    if (hover_) line << toView.map(*hover_);
    p.setBrush(Qt::NoBrush);
    for (const auto& [colour, w] : {std::pair{QColor(kCasing), 3.6}, {kLineThatMatters, 1.6}}) {
        p.setPen(QPen(colour, w));
        p.drawPolyline(line);
        for (const QPointF& c : line) p.drawEllipse(c, 5, 5);
    }
}

void MatTool::point(const QPointF& clip) {
    if (stage_.isPreview()) return; // too coarse for a mark
    corners_.push_back(clip);
    stage_.update();
    if (corners_.size() < kMatCorners.size()) return;
    const auto corners = corners_;
    const double time_s = session_.clip().time_s[size_t(stage_.shownFrame())];
    const MatSize mat = size();
    cancel();
    session_.edit(tr("corners of the mat"), [&](ReviewInputs& in) {
        in.marks.mat = mat;
        for (size_t i = 0; i < corners.size(); ++i)
            in.marks.set(time_s, kMatCorners[i], Point2(corners[i].x(), corners[i].y()));
    });
}

} // namespace deft::ui

#include "moc_mat_tool.cpp"
