// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/compare/pair_picture.h"

#include "app/paint/body_overlay.h"
#include "app/paint/strokes.h"
#include "app/sheet/rep_rows.h"
#include "app/theme/words.h"

#include <cmath>

namespace deft::ui {
namespace {

constexpr int kTitle = 28, kGap_px = 16;

/// Hip, and hip to shoulder, at the start of a rep; the middle of both where left and right are marked.
struct BodyFrame {
    QPointF hip;
    double torso = 0;
    bool lies = false, headLeft = false;
};

std::optional<Point2> middle(const Tracks& tracks, const std::string& name, size_t frame) {
    if (const TrackPoint* p = tracks.find(name, frame); p && p->usable()) return p->at;
    const TrackPoint *l = tracks.find(name + "_l", frame), *r = tracks.find(name + "_r", frame);
    if (l && r && l->usable() && r->usable()) return Point2((l->at + r->at) / 2);
    return std::nullopt;
}

std::optional<BodyFrame> bodyFrame(const Review& r, const Rep& rep) {
    const auto frame = size_t(r.clip().frameAt(rep.start_s));
    auto hip = middle(r.tracks(), "hip", frame), shoulder = middle(r.tracks(), "shoulder", frame);
    if (!hip) hip = middle(r.tracks(), "asis", frame);
    if (!hip || !shoulder || (*shoulder - *hip).norm() < 8) return std::nullopt;
    const Vector2 up = *shoulder - *hip;
    return BodyFrame{{hip->x(), hip->y()}, up.norm(), std::abs(up.x()) > std::abs(up.y()), up.x() < 0};
}

} // namespace

PairPicture::PairPicture(Comparison& comparison, QWidget* parent) : QWidget(parent), comparison_(comparison) {
    setMinimumHeight(180);
    setAccessibleName(tr("Two pictures side by side"));
    connect(&comparison, &Comparison::changed, this, &PairPicture::follow);
    connect(&comparison, &Comparison::placeChanged, this, qOverload<>(&QWidget::update));
}

void PairPicture::follow() {
    for (const auto& c : arrivals_) disconnect(c);
    arrivals_.clear();
    for (int which : {0, 1})
        if (const Comparison::Side* side = comparison_.side(which))
            arrivals_ << connect(side->frames, &FrameSource::arrived, this, qOverload<>(&QWidget::update));
    update();
}

QRectF PairPicture::box(int which) const {
    const double w = (width() - kGap_px) / 2.0;
    return {which * (w + kGap_px), kTitle, w, double(height() - kTitle)};
}

QTransform PairPicture::view(int which) const {
    const Comparison::Side* first = comparison_.side(0);
    const QRectF to = box(which), crop = bodyCrop(*first->review, to.width() / to.height(), true);
    QTransform onto; // the second body onto the first
    if (which == 1) {
        const auto a = bodyFrame(*first->review, comparison_.shownRep(0));
        const auto b = bodyFrame(*comparison_.side(1)->review, comparison_.shownRep(1));
        if (a && b) {
            const double s = a->torso / b->torso;
            const bool turned = a->lies && b->lies && a->headLeft != b->headLeft;
            onto = QTransform::fromTranslate(-b->hip.x(), -b->hip.y()) * QTransform::fromScale(turned ? -s : s, s) *
                   QTransform::fromTranslate(a->hip.x(), a->hip.y());
        }
    }
    return onto * QTransform::fromTranslate(-crop.x(), -crop.y()) *
           QTransform::fromScale(to.width() / crop.width(), to.height() / crop.height()) *
           QTransform::fromTranslate(to.x(), to.y());
}

void PairPicture::paintSide(QPainter& p, int which) {
    const Comparison::Side& side = *comparison_.side(which);
    const Palette& c = colours();
    const QRectF to = box(which);
    const int64_t frame = comparison_.frame(which);
    const double time = side.review->clip().time_s[size_t(frame)];
    const int used =
        putText(p, QRectF(to.x(), 0, to.width() - 120, kTitle), side.title, Size::Body, c.ink, QFont::DemiBold);
    if (comparison_.pairs() > 1)
        putText(p, QRectF(to.x() + used + 8, 0, 120, kTitle), tr("rep %1").arg(comparison_.rep() + 1), Size::Small,
                c.ink2);
    putText(p, QRectF(to.right() - 112, 0, 112, kTitle), tr("%1 s").arg(coachLocale().toString(time, 'f', 2)),
            Size::Small, c.ink2, QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
    p.fillRect(to, c.stage);
    QImage image = side.frames->frame(frame);
    int64_t drawn = frame; // the lines belong to the picture that is seen
    if (image.isNull())
        if (auto [near, small] = side.frames->nearest(frame); near >= 0) image = small, drawn = near;
    p.save();
    p.setClipRect(to);
    BodyLook look;
    look.toView = view(which);
    if (!image.isNull()) {
        p.setTransform(look.toView);
        p.drawImage(QRectF(0, 0, side.review->clip().width, side.review->clip().height), image);
        p.resetTransform();
    }
    look.everything = true;
    look.clearTop = to.top() + 24; // the number is seen whole
    look.measure = worstOfRep(*comparison_.side(1)->review, comparison_.shownRep(1)).limit.measure; // the same in both
    drawBody(p, *side.review, drawn, look);
    p.restore();
}

void PairPicture::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    if (comparison_.side(0)) {
        paintSide(p, 0);
        paintSide(p, 1);
        return;
    }
    const Palette& c = colours();
    QRectF page(0, 0, width(), height());
    p.fillRect(page, c.paper);
    p.setPen(c.ink2);
    p.setFont(face(Size::Body));
    p.drawText(page.adjusted(width() / 4.0, 0, -width() / 4.0, 0), Qt::AlignCenter | Qt::TextWordWrap,
               comparison_.why());
}

} // namespace deft::ui

#include "moc_pair_picture.cpp"
