// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/stage_picture.h"

#include "app/bench/drawing_tool.h"
#include "app/bench/mat_tool.h"
#include "app/paint/body_overlay.h"
#include "app/sheet/rep_rows.h"
#include "marks/names.h"

#include <QMouseEvent>
#include <QWheelEvent>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace deft::ui {
namespace {
constexpr double kGrab_px = 14; // how near a press must be to a mark
} // namespace

StagePicture::StagePicture(ReviewSession& session, QWidget* parent) : QWidget(parent), session_(session) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("Picture"));
    drawing_ = new DrawingTool(session, *this);
    mat_ = new MatTool(session, *this);
    connect(&session, &ReviewSession::opened, this, &StagePicture::begin);
    connect(&session.place(), &Place::changed, this, [this, last = int64_t(0)]() mutable {
        if (!session_.isOpen()) return;
        const QImage there =
            session_.frames()->frame(session_.place().frame(), session_.place().frame() >= last ? 1 : -1);
        last = session_.place().frame();
        if (!there.isNull()) {
            image_ = there, shown_ = session_.place().frame(), damaged_ = false;
        } else if (const auto [near, small] = session_.frames()->nearest(session_.place().frame());
                   near >= 0 &&
                   std::abs(near - session_.place().frame()) < std::abs(shown_ - session_.place().frame())) {
            image_ = small, shown_ = near;
        }
        update();
    });
    connect(&session, &ReviewSession::reviewChanged, this, [this] {
        if (!fitted_ && session_.review()) fitBody(), fitted_ = true;
        update();
    });
    connect(&session, &ReviewSession::marksChanged, this, [this] {
        if (isPlacing() || !session_.review()) startPlacing(); // undo brings a landmark back into the list
        update();
    });
    connect(&session.offered(), &OfferedMarks::changed, this, [this] {
        emit stateChanged();
        update();
    });
    connect(&session.job(), &BackgroundJob::changed, this, qOverload<>(&QWidget::update));
    if (session.isOpen()) begin();
}

/// The clip that is open, from its first frame.
void StagePicture::begin() {
    image_ = {};
    mending_ = fitted_ = false;
    resetZoom();
    connect(session_.frames(), &FrameSource::arrived, this, [this](qint64 frame, const QImage& image) {
        if (frame != session_.place().frame()) return;
        damaged_ = image.isNull();
        if (!damaged_) image_ = image, shown_ = frame;
        update();
    });
    shown_ = session_.place().frame();
    image_ = session_.frames()->frame(shown_);
    toPlace_.clear();
    skipped_.clear();
    cursor_.reset();
    if (!session_.isMarked() && !session_.isFiled()) startPlacing();
    emit stateChanged();
}

bool StagePicture::isPreview() const { return !image_.isNull() && image_.width() < session_.clip().width; }

int64_t StagePicture::shownFrame() const { return image_.isNull() ? session_.place().frame() : shown_; }

QTransform StagePicture::view() const {
    const double w = std::max(1, session_.clip().width), h = std::max(1, session_.clip().height);
    const double scale = std::min(width() / w, height() / h) * zoom_;
    return QTransform()
        .translate(width() / 2.0, height() / 2.0)
        .scale(scale, scale)
        .translate(-centre_.x() * w, -centre_.y() * h);
}

void StagePicture::setMending(bool on) {
    mending_ = on && session_.review() != nullptr && !session_.isFiled();
    if (!mending_) selected_.clear();
    emit stateChanged();
    update();
}

void StagePicture::startPlacing() {
    toPlace_.clear();
    QStringList all;
    for (const std::string& name : session_.exercise().landmarksNeeded) all << QString::fromStdString(name);
    for (const auto& [name, why] : session_.exercise().landmarksOptional) all << QString::fromStdString(name);
    const auto set = session_.inputs().marks.landmarks();
    for (const QString& name : all)
        if (!skipped_.contains(name) && std::find(set.begin(), set.end(), name.toStdString()) == set.end())
            toPlace_ << name;
    emit stateChanged();
    update();
}

void StagePicture::skipPlacing() {
    if (!toPlace_.isEmpty()) skipped_ << toPlace_.takeFirst();
    emit stateChanged();
    update();
}

std::map<QString, ProposedMark> StagePicture::ghosts() const {
    std::map<QString, ProposedMark> out;
    const Proposals* p = session_.offered().proposals();
    if (!p || session_.isFiled() || session_.review() || p->frame != shownFrame()) return out;
    for (const auto& [name, mark] : p->marks)
        if (const QString n = QString::fromStdString(name); !skipped_.contains(n)) out[n] = mark;
    return out;
}

void StagePicture::goToProposals() {
    if (const Proposals* p = session_.offered().proposals()) session_.place().setFrame(p->frame);
}

void StagePicture::confirmGhosts() {
    if (!session_.offered().proposals() || session_.review()) return;
    goToProposals();
    session_.offered().confirm(skipped_);
}

void StagePicture::setBestOver(bool on) {
    if (std::exchange(bestOver_, on) == on) return;
    emit stateChanged();
    update();
}

void StagePicture::resetZoom() {
    zoom_ = 1, centre_ = {0.5, 0.5}, staysFitted_ = false;
    update();
}

void StagePicture::fitBody() {
    resetZoom();
    const double w = session_.clip().width, h = session_.clip().height, whole = std::min(width() / w, height() / h),
                 filling = std::max(width() / w, height() / h);
    const QRectF body = bodyCrop(*session_.review(), double(width()) / std::max(1, height()), true);
    const double fits = height() / body.height(), cut = 1.05; // of its margin, where that fills the stage
    const double scale = cut * fits > filling ? filling : std::max(whole, fits);
    const auto middle = [](double at, double shown) {
        return shown < 1 ? std::clamp(at, shown / 2, 1 - shown / 2) : 0.5; // nothing but the clip is shown
    };
    zoom_ = scale / whole;
    centre_ = {middle(body.center().x() / w, width() / (scale * w)),
               middle(body.center().y() / h, height() / (scale * h))};
    staysFitted_ = true;
}

void StagePicture::resizeEvent(QResizeEvent*) {
    if (staysFitted_ && session_.review()) fitBody();
}

std::map<QString, QPointF> StagePicture::marksHere() const {
    std::map<QString, QPointF> out;
    if (const Review* r = session_.review())
        for (const auto& [name, points] : r->tracks().landmark)
            if (const TrackPoint& p = points[size_t(shownFrame())];
                p.state != PointState::Absent && p.state != PointState::Lost)
                out[QString::fromStdString(name)] = {p.at.x(), p.at.y()};
    // Marks set by hand count at once, before they have been followed.
    for (const MarkedFrame& f : session_.inputs().marks.frames)
        if (session_.clip().frameAt(f.time_s) == shownFrame())
            for (const auto& [name, p] : f.points) {
                if (p)
                    out[QString::fromStdString(name)] = {p->x(), p->y()};
                else
                    out.erase(QString::fromStdString(name));
            }
    return out;
}

void StagePicture::selectNext(int step) {
    const auto marks = marksHere();
    if (marks.empty()) return;
    QStringList names;
    for (const auto& [name, at] : marks) names << name;
    const int now = int(names.indexOf(selected_));
    selected_ = names[(now < 0 ? 0 : now + step + int(names.size())) % int(names.size())];
    emit stateChanged();
    update();
}

void StagePicture::select(const QString& landmark) {
    selected_ = landmark;
    emit stateChanged();
    update();
}

StageTool* StagePicture::activeTool() const {
    for (StageTool* tool : {static_cast<StageTool*>(drawing_), static_cast<StageTool*>(mat_)})
        if (tool->isActive()) return tool;
    return nullptr;
}

void StagePicture::placeAtCursor() {
    if (StageTool* tool = activeTool())
        tool->pointAtCursor();
    else if (isPlacing() && cursor_ && !isPreview())
        place(*cursor_);
}

void StagePicture::nudge(const QPointF& px) {
    if (StageTool* tool = activeTool()) return tool->nudge(20 * px);
    if (isPlacing()) {
        // Big steps at first, fine ones for the last pixels: half a pixel of a mark is ten of the cursor.
        const QPointF from = cursor_.value_or(QPointF(session_.clip().width / 2.0, session_.clip().height / 2.0));
        const QPointF to = from + 20 * px;
        cursor_ = QPointF(std::clamp(to.x(), 0.0, session_.clip().width - 1.0),
                          std::clamp(to.y(), 0.0, session_.clip().height - 1.0));
        update();
        return;
    }
    const auto marks = marksHere();
    const auto it = marks.find(selected_);
    if (it == marks.end()) return;
    const QPointF to = it->second + px;
    session_.deciding().setMark(shownFrame(), selected_.toStdString(), Point2(to.x(), to.y()));
}

void StagePicture::snapSelected() {
    const auto marks = marksHere();
    const auto selected = marks.find(selected_);
    std::optional<QPointF> at;
    if (isPlacing())
        at = cursor_;
    else if (selected != marks.end())
        at = selected->second;
    if (!at || image_.isNull() || isPreview()) return;
    offerSticker(*at);
    QPointF to = snapped(*at, {});
    if (!sticker_) {
        constexpr int reach = 8; // px; a corner farther away is another point
        const QImage grey = image_.convertToFormat(QImage::Format_Grayscale8);
        const cv::Mat view(grey.height(), grey.width(), CV_8UC1, const_cast<uchar*>(grey.constBits()),
                           size_t(grey.bytesPerLine()));
        std::vector<cv::Point2f> corner{{float(at->x()), float(at->y())}};
        const cv::Rect inside(2 * reach, 2 * reach, view.cols - 4 * reach, view.rows - 4 * reach);
        if (inside.contains(cv::Point(int(at->x()), int(at->y()))))
            cv::cornerSubPix(view, corner, {reach, reach}, {-1, -1},
                             {cv::TermCriteria::EPS | cv::TermCriteria::COUNT, 30, 0.01});
        const QPointF found(double(corner[0].x), double(corner[0].y));
        if (QLineF(found, *at).length() <= reach) to = found;
    }
    sticker_.reset();
    if (isPlacing())
        cursor_ = to;
    else if (QLineF(to, *at).length() > 0.05)
        session_.deciding().setMark(shownFrame(), selected_.toStdString(), Point2(to.x(), to.y()));
    update();
}

void StagePicture::markInvisible() {
    if (!selected_.isEmpty()) session_.deciding().setMark(shownFrame(), selected_.toStdString(), std::nullopt);
}

void StagePicture::place(const QPointF& clip) {
    if (clip.x() < 0 || clip.y() < 0 || clip.x() > session_.clip().width - 1 || clip.y() > session_.clip().height - 1)
        return;
    const QString name = toPlace_.front();
    selected_ = name;
    session_.deciding().setMark(shownFrame(), name.toStdString(),
                                Point2(clip.x(), clip.y())); // marksChanged renews the list
}

void StagePicture::offerSticker(const QPointF& clip) {
    sticker_.reset();
    if (image_.isNull() || isPreview()) return;
    constexpr int reach = 64; // px around the pointer: the largest sticker, and cloth around it
    const QRect part = QRect(int(clip.x()) - reach, int(clip.y()) - reach, 2 * reach, 2 * reach) & image_.rect();
    if (part.isEmpty()) return;
    const QImage grey = image_.copy(part).convertToFormat(QImage::Format_Grayscale8);
    const cv::Mat view(grey.height(), grey.width(), CV_8UC1, const_cast<uchar*>(grey.constBits()),
                       size_t(grey.bytesPerLine()));
    if (auto s = stickerAt(view, {clip.x() - part.x(), clip.y() - part.y()})) {
        s->centre += Point2(part.x(), part.y());
        sticker_ = s;
    }
}

QPointF StagePicture::snapped(const QPointF& clip, Qt::KeyboardModifiers keys) const {
    if (!sticker_ || keys.testFlag(Qt::AltModifier)) return clip;
    return {sticker_->centre.x(), sticker_->centre.y()};
}

void StagePicture::zoomAt(const QPointF& at, double factor) {
    staysFitted_ = false;
    const QPointF fixed = toClip(at);
    zoom_ = std::clamp(zoom_ * factor, 1.0, 12.0);
    const QPointF moved = toClip(at) - fixed;
    centre_ -= {moved.x() / session_.clip().width, moved.y() / session_.clip().height};
    if (zoom_ == 1) centre_ = {0.5, 0.5};
    update();
}

bool StagePicture::event(QEvent* e) {
    if (e->type() == QEvent::NativeGesture)
        if (const auto* pinch = static_cast<QNativeGestureEvent*>(e); pinch->gestureType() == Qt::ZoomNativeGesture) {
            zoomAt(pinch->position(), 1 + pinch->value());
            return true;
        }
    return QWidget::event(e);
}

void StagePicture::wheelEvent(QWheelEvent* e) { zoomAt(e->position(), std::pow(1.2, e->angleDelta().y() / 120.0)); }

void StagePicture::mousePressEvent(QMouseEvent* e) {
    setFocus();
    if (!session_.isOpen()) return;
    if (e->button() == Qt::LeftButton && (mending_ || isPlacing())) {
        if (isPreview()) return; // too coarse for a mark; the frame itself is on its way
        QString nearest;
        double least = mending_ ? kGrab_px : kGrab_px / 3; // while placing, marks may lie close together
        QPointF found;
        auto nearer = [&](const QString& name, const QPointF& at) {
            const double d = QLineF(toWidget(at), e->position()).length();
            if (d < least) least = d, nearest = name, found = at;
        };
        for (const auto& [name, at] : marksHere()) nearer(name, at);
        const auto proposed = ghosts();
        if (!proposed.empty()) least = std::max(least, nearest.isEmpty() ? kGrab_px : 0.0);
        for (const auto& [name, mark] : proposed) nearer(name, {mark.at.x(), mark.at.y()});
        if (!nearest.isEmpty()) {
            selected_ = nearest;
            grip_ = found - toClip(e->position());
            dragged_ = found;
        } else if (isPlacing()) {
            place(snapped(toClip(e->position()), e->modifiers()));
        }
        emit stateChanged();
        update();
        return;
    }
    pan_ = e->position();
}

void StagePicture::mouseMoveEvent(QMouseEvent* e) {
    if (dragged_) {
        dragged_ = toClip(e->position()) + grip_;
        dragged_->setX(std::clamp(dragged_->x(), 0.0, session_.clip().width - 1.0));
        dragged_->setY(std::clamp(dragged_->y(), 0.0, session_.clip().height - 1.0));
        offerSticker(*dragged_);
        update();
    } else if (isPlacing() && !pan_) {
        offerSticker(toClip(e->position()));
        update();
    } else if (pan_ && zoom_ > 1) {
        staysFitted_ = false;
        const QPointF moved = toClip(e->position()) - toClip(*pan_);
        centre_ -= {moved.x() / session_.clip().width, moved.y() / session_.clip().height};
        pan_ = e->position();
        update();
    }
}

void StagePicture::mouseReleaseEvent(QMouseEvent* e) {
    pan_.reset();
    if (!dragged_) return;
    const auto here = marksHere();
    const auto before = here.find(selected_);
    const auto ghost = ghosts().count(selected_) && before == here.end();
    const bool moved = ghost || QLineF(before->second, *dragged_).length() > 0.2;
    const QPointF to = moved ? snapped(*dragged_, e->modifiers()) : *dragged_;
    dragged_.reset();
    sticker_.reset();
    if (moved) // a ghost that is only clicked is agreed to where it lies
        session_.deciding().setMark(shownFrame(), selected_.toStdString(), Point2(to.x(), to.y()));
    update();
}

void StagePicture::mouseDoubleClickEvent(QMouseEvent*) {
    if (!mending_ && !isPlacing()) resetZoom();
}

} // namespace deft::ui

#include "moc_stage_picture.cpp"
