// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/practice/noise_panel.h"

#include "app/documents/sketch_picture.h"
#include "app/session/own_marking.h"
#include "app/theme/words.h"
#include "marks/names.h"
#include "measures/context.h"

#include <QLocale>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kNoiseRow = 28, kMarksOfHabit = 4;
QString share(double trunks) { return QStringLiteral("%1\u00a0%").arg(coachLocale().toString(100 * trunks, 'f', 1)); }

} // namespace

NoisePanel::NoisePanel(PracticeRound& round, QWidget* parent) : Panel(tr("How your marks lie"), parent), round_(round) {
    setAside(tr("in per cent of shoulder to hip"));
    connect(&round, &PracticeRound::changed, this, [this] {
        setAccessibleDescription(sentence());
        update();
    });
}

QString NoisePanel::habitWords(const std::string& landmark, const Vector2& habit, double sd, int marks) {
    // Less than twice its own uncertainty is no habit, and of few marks neither is known.
    if (marks < kMarksOfHabit || !(habit.norm() > 2 * sd / std::sqrt(marks))) return tr("none to speak of");
    const bool along = std::abs(habit.x()) >= std::abs(habit.y());
    const double most = along ? habit.x() : habit.y();
    const bool fromTheFront = !sideOf(landmark).empty();
    const QString where = along          ? (most > 0 ? tr("toward the head") : tr("toward the feet"))
                          : fromTheFront ? (most > 0 ? tr("outward") : tr("inward"))
                                         : (most > 0 ? tr("to the front") : tr("to the back"));
    return tr("%1 %2").arg(share(std::abs(most)), where);
}

QString NoisePanel::sentence() const {
    const auto& noise = round_.noise();
    if (!noise) return {};
    return tr("Your marking SD is %1 of the trunk (%2 to %3, from %4 marks).")
        .arg(share(noise->sd), share(noise->sdLow95), share(noise->sdHigh95))
        .arg(noise->marks);
}

/// What is in use, and where the point lies that is asked for.
void NoisePanel::paintMeanwhile(QPainter& p, const QRectF& body) const {
    const auto own = ownMarking();
    const QString words =
        own ? tr("In use since %1: %2 of the trunk, from %3 marks.")
                  .arg(coachLocale().toString(own->since, tr("d MMMM yyyy", "date")), share(own->sd))
                  .arg(own->marks)
            : tr("Not known yet: bands take %1 pixels of a picture of 720 lines for everybody, or %2 mm where a "
                 "scale is known.")
                  .arg(kMarkingSd_px)
                  .arg(10 * kMarkingSd_cm);
    p.setPen(colours().ink2);
    p.setFont(face(Size::Body));
    p.drawText(body, Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, words);
    const PracticePicture* picture = round_.picture();
    const std::string asked = round_.asked();
    if (!picture || !picture->exercise || !picture->exercise->start.count(asked)) return;
    p.setRenderHint(QPainter::Antialiasing);
    drawSketch(p, QRectF(body.left(), body.top() + 56, body.width(), 0.6 * body.width()), *picture->exercise,
               picture->exercise->start, nullptr, asked);
}

/// @return how far down the table reaches
double NoisePanel::paintTable(QPainter& p, const QRectF& body, const MarkingNoise& noise) const {
    const Palette& c = colours();
    double y = body.top();
    const auto put = [&](double from, double to, const QString& words, bool strong, Qt::Alignment side) {
        const QRectF box(body.left() + from * body.width(), y, (to - from) * body.width(), kNoiseRow);
        putText(p, box, words, Size::Small, strong ? c.ink : c.ink2, strong ? QFont::DemiBold : QFont::Normal,
                side | Qt::AlignVCenter);
    };
    const auto row = [&](const QString& point, const QString& scatter, const QString& habit, bool strong) {
        put(0, 0.42, point, strong, Qt::AlignLeft);
        put(0.42, 0.56, scatter, strong, Qt::AlignRight);
        put(0.62, 1, habit, false, Qt::AlignLeft);
        y += kNoiseRow;
    };
    row(tr("point"), tr("scatter"), tr("your habit"), false);
    for (const auto& [name, own] : noise.landmarks) {
        QString words = spoken(landmarkWords(name));
        words[0] = words[0].toUpper();
        row(words, std::isfinite(own.sd) ? share(own.sd) : tr("–"), habitWords(name, own.habit, own.sd, own.marks),
            true);
        p.setPen(QPen(c.hairline, 1));
        p.drawLine(QPointF(body.left(), y), QPointF(body.right(), y));
    }
    return y;
}

void NoisePanel::paintBody(QPainter& p, const QRect& area) {
    const QRectF body(area);
    const auto& noise = round_.noise();
    if (!noise) return paintMeanwhile(p, body);
    const double y = paintTable(p, body, *noise) + 12;
    const QRectF rest(body.left(), y, body.width(), body.bottom() - y);
    QRectF used;
    p.setPen(colours().ink);
    p.setFont(face(Size::Body, QFont::DemiBold));
    p.drawText(rest, Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, sentence(), &used);
    p.setPen(colours().ink2);
    p.setFont(face(Size::Small));
    p.drawText(rest.adjusted(0, used.height() + 8, 0, 0), Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop,
               tr("A habit cancels between two visits, and in everything told against neutral or the start. The "
                  "scatter does not: it goes into the ± of readings."));
}

} // namespace deft::ui

#include "moc_noise_panel.cpp"
