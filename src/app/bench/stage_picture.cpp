#include "app/bench/stage_picture.h"

#include "app/paint/body_overlay.h"
#include "app/session/rep_rows.h"
#include "app/widgets/panel.h"
#include "landmarks/names.h"

#include <QMouseEvent>
#include <QPainterPath>
#include <QWheelEvent>
#include <cmath>

namespace deft::ui {
namespace {

constexpr double kGrab_px = 14; // how near a press must be to a mark

QString words(const QString& landmark) { return QString::fromStdString(landmarkWords(landmark.toStdString())); }

} // namespace

StagePicture::StagePicture(ReviewSession& session, QWidget* parent) : QWidget(parent), session_(session) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("Picture"));
    connect(&session, &ReviewSession::opened, this, [this] {
        image_ = {};
        mending_ = fitted_ = false;
        resetZoom();
        connect(session_.frames(), &FrameSource::arrived, this, [this](qint64 frame, const QImage& image) {
            if (frame != session_.frame()) return;
            damaged_ = image.isNull();
            if (!damaged_) image_ = image;
            update();
        });
        image_ = session_.frames()->frame(0);
        toPlace_.clear();
        skipped_.clear();
        cursor_.reset();
        if (!session_.isMarked() && !session_.isFiled()) startPlacing();
        emit stateChanged();
    });
    connect(&session, &ReviewSession::placeChanged, this, [this, last = int64_t(0)]() mutable {
        if (!session_.isOpen()) return;
        const QImage there = session_.frames()->frame(session_.frame(), session_.frame() >= last ? 1 : -1);
        last = session_.frame();
        if (!there.isNull()) image_ = there, damaged_ = false;
        update();
    });
    connect(&session, &ReviewSession::reviewChanged, this, [this] {
        if (!fitted_) fitBody();
        fitted_ = true;
        update();
    });
    connect(&session, &ReviewSession::marksChanged, this, [this] {
        if (isPlacing() || !session_.review()) startPlacing(); // undo brings a landmark back into the list
        update();
    });
    connect(&session.job(), &BackgroundJob::changed, this, qOverload<>(&QWidget::update));
}

QTransform StagePicture::view() const {
    const double w = std::max(1, session_.clip().width), h = std::max(1, session_.clip().height);
    const double scale =
        (covering_ ? std::max(width() / w, height() / h) : std::min(width() / w, height() / h)) * zoom_;
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

void StagePicture::setBestOver(bool on) {
    bestOver_ = on;
    update();
}

void StagePicture::resetZoom() {
    zoom_ = 1, centre_ = {0.5, 0.5}, covering_ = false;
    update();
}

void StagePicture::fitBody() {
    resetZoom();
    const double cover = std::max(double(width()) / session_.clip().width, double(height()) / session_.clip().height);
    const QRectF body = bodyCrop(*session_.review(), double(width()) / std::max(1, height()), true);
    const double share = height() / (cover * session_.clip().height);  // of the clip's height that is shown
    if (body.height() > share * session_.clip().height * 1.05) return; // would not fit: the whole picture
    covering_ = true;
    centre_.setY(std::clamp(body.center().y() / session_.clip().height, share / 2, 1 - share / 2));
}

std::map<QString, QPointF> StagePicture::marksHere() const {
    std::map<QString, QPointF> out;
    if (const Review* r = session_.review())
        for (const auto& [name, points] : r->tracks.landmark)
            if (const TrackPoint& p = points[size_t(session_.frame())];
                p.state != PointState::Absent && p.state != PointState::Lost)
                out[QString::fromStdString(name)] = {p.at.x(), p.at.y()};
    // Marks set by hand count at once, before they have been followed.
    for (const MarkedFrame& f : session_.inputs().marks.frames)
        if (session_.clip().frameAt(f.time_s) == session_.frame())
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

void StagePicture::placeAtCursor() {
    if (isPlacing() && cursor_) place(*cursor_);
}

void StagePicture::nudge(const QPointF& px) {
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
    session_.setMark(session_.frame(), selected_.toStdString(), Point2(to.x(), to.y()));
}

void StagePicture::markInvisible() {
    if (!selected_.isEmpty()) session_.setMark(session_.frame(), selected_.toStdString(), std::nullopt);
}

void StagePicture::place(const QPointF& clip) {
    if (clip.x() < 0 || clip.y() < 0 || clip.x() > session_.clip().width - 1 || clip.y() > session_.clip().height - 1)
        return;
    const QString name = toPlace_.front();
    selected_ = name;
    session_.setMark(session_.frame(), name.toStdString(), Point2(clip.x(), clip.y())); // marksChanged renews the list
}

void StagePicture::zoomAt(const QPointF& at, double factor) {
    const QPointF fixed = toClip(at);
    zoom_ = std::clamp(zoom_ * factor, 1.0, 12.0);
    const QPointF moved = toClip(at) - fixed;
    centre_ -= {moved.x() / session_.clip().width, moved.y() / session_.clip().height};
    if (zoom_ == 1 && !covering_) centre_ = {0.5, 0.5};
    update();
}

void StagePicture::wheelEvent(QWheelEvent* e) { zoomAt(e->position(), std::pow(1.2, e->angleDelta().y() / 120.0)); }

void StagePicture::mousePressEvent(QMouseEvent* e) {
    setFocus();
    if (!session_.isOpen()) return;
    if (e->button() == Qt::LeftButton && (mending_ || isPlacing())) {
        QString nearest;
        double least = mending_ ? kGrab_px : kGrab_px / 3; // while placing, marks may lie close together
        for (const auto& [name, at] : marksHere())
            if (const double d = QLineF(toWidget(at), e->position()).length(); d < least) least = d, nearest = name;
        if (!nearest.isEmpty()) {
            selected_ = nearest;
            const QPointF at = marksHere()[nearest];
            grip_ = at - toClip(e->position());
            dragged_ = at;
        } else if (isPlacing()) {
            place(toClip(e->position()));
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
        update();
    } else if (pan_ && zoom_ > 1) {
        const QPointF moved = toClip(e->position()) - toClip(*pan_);
        centre_ -= {moved.x() / session_.clip().width, moved.y() / session_.clip().height};
        pan_ = e->position();
        update();
    }
}

void StagePicture::mouseReleaseEvent(QMouseEvent*) {
    pan_.reset();
    if (!dragged_) return;
    const QPointF to = *dragged_;
    dragged_.reset();
    const QPointF before = marksHere()[selected_];
    if (QLineF(before, to).length() > 0.2)
        session_.setMark(session_.frame(), selected_.toStdString(), Point2(to.x(), to.y()));
    update();
}

void StagePicture::mouseDoubleClickEvent(QMouseEvent*) {
    if (!mending_ && !isPlacing()) resetZoom();
}

void StagePicture::paintMagnifier(QPainter& p) const {
    const QPointF at = toWidget(*dragged_);
    const double r = 56, times = 3 * view().m11();
    const QPointF centre(at.x() + (at.x() > width() / 2.0 ? -90 : 90),
                         std::clamp(at.y() - 80, r + 4, height() - r - 4));
    p.save();
    QPainterPath lens;
    lens.addEllipse(centre, r, r);
    p.setClipPath(lens);
    p.translate(centre);
    p.scale(times, times);
    p.translate(-*dragged_);
    p.drawImage(0, 0, image_);
    p.restore();
    p.setBrush(Qt::NoBrush);
    for (const auto& [colour, w] : {std::pair{QColor(kCasing), 4.0}, {QColor(kOnPicture), 1.6}}) {
        p.setPen(QPen(colour, w));
        p.drawEllipse(centre, r, r);
        p.drawLine(centre - QPointF(8, 0), centre + QPointF(8, 0));
        p.drawLine(centre - QPointF(0, 8), centre + QPointF(0, 8));
    }
}

void StagePicture::paintWords(QPainter& p) const {
    const double t = session_.clip().time_s[size_t(session_.frame())];
    QString where = tr("%1 s, frame %2").arg(QString::number(t, 'f', 2)).arg(session_.frame() + 1);
    if (session_.review() && !session_.review()->events.reps.empty()) {
        const auto [rep, phase] = placeOf(session_.review()->events, t);
        where = tr("Rep %1, %2   %3")
                    .arg(rep + 1)
                    .arg(repColumns(session_.exercise())[size_t(phase)].first.toLower(), where);
    }
    p.setFont(face(Size::Body, QFont::DemiBold));
    haloText(p, {16, 26}, where);
    p.setFont(face(Size::Small, QFont::Medium));
    if (damaged_) haloText(p, {16, 46}, tr("this frame is damaged; the one before is shown"));
    if (bestOver_ && session_.review() && session_.moment() >= 0)
        if (const auto pair = session_.review()->framePair(session_.moments()[size_t(session_.moment())].id))
            haloText(p, {width() - 16.0, 26},
                     tr("dashed: best, rep %1, %2 s")
                         .arg(pair->bestRep + 1)
                         .arg(session_.clip().time_s[size_t(pair->best)], 0, 'f', 1),
                     Qt::AlignRight);
    if (mending_ && !selected_.isEmpty())
        haloText(p, {width() - 16.0, height() - 14.0}, words(selected_), Qt::AlignRight);
}

void StagePicture::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.fillRect(rect(), colours().stage);
    if (!session_.isOpen()) return;
    p.save();
    p.setTransform(view());
    p.drawImage(0, 0, image_);
    p.restore();

    const Review* review = session_.review();
    if (review && !dragged_) {
        BodyLook look;
        look.toView = view();
        look.everything = true;
        look.marks = mending_;
        look.selected = selected_.toStdString();
        const std::vector<Moment>& moments = session_.moments();
        if (session_.moment() >= 0 && moments[size_t(session_.moment())].rep == session_.rep())
            look.measure = moments[size_t(session_.moment())].measure;
        else if (const auto rows = repRows(*review); session_.rep() < int(rows.size()))
            look.measure = rows[size_t(session_.rep())].cells[size_t(session_.phase())].measure;
        if (bestOver_ && session_.moment() >= 0)
            if (const auto pair = review->framePair(moments[size_t(session_.moment())].id)) look.bestFrame = pair->best;
        drawBody(p, *review, session_.frame(), look);
    }
    if (!review || dragged_ || mending_) {
        // Marks that no track knows of yet, and the one in the hand.
        for (auto [name, at] : marksHere()) {
            if (review && name != selected_) continue;
            if (dragged_ && name == selected_) at = *dragged_;
            const QPointF c = toWidget(at);
            p.setBrush(Qt::NoBrush);
            for (const auto& [colour, w] :
                 {std::pair{QColor(kCasing), 3.6}, {name == selected_ ? kLineThatMatters : kOnPicture, 1.6}}) {
                p.setPen(QPen(colour, w));
                p.drawRect(QRectF(c.x() - 5, c.y() - 5, 10, 10));
            }
            if (isPlacing() && name == selected_) {
                p.setFont(face(Size::Small, QFont::Medium));
                haloText(p, c + QPointF(9, -7), words(name));
            }
        }
    }
    if (isPlacing() && cursor_) {
        const QPointF c = toWidget(*cursor_);
        for (const auto& [colour, w] : {std::pair{QColor(kCasing), 3.6}, {kLineThatMatters, 1.6}}) {
            p.setPen(QPen(colour, w));
            p.drawLine(c - QPointF(12, 0), c + QPointF(12, 0));
            p.drawLine(c - QPointF(0, 12), c + QPointF(0, 12));
        }
    }
    if (dragged_) paintMagnifier(p);
    paintWords(p);
    if (hasFocus()) {
        p.setPen(QPen(Qt::white, 1.6));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5));
    }
}

} // namespace deft::ui
