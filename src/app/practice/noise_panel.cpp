#include "app/practice/noise_panel.h"

#include "app/paint/sketch_picture.h"
#include "app/session/own_marking.h"
#include "app/theme/words.h"
#include "landmarks/names.h"
#include "measures/context.h"

#include <QLocale>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kRow = 28;
QString share(double trunks) { return QStringLiteral("%1\u00a0%").arg(QString::number(100 * trunks, 'f', 1)); }

} // namespace

NoisePanel::NoisePanel(PracticeRound& round, QWidget* parent) : Panel(tr("How your marks lie"), parent), round_(round) {
    setAside(tr("in per cent of shoulder to hip"));
    connect(&round, &PracticeRound::changed, this, [this] {
        setAccessibleDescription(sentence());
        update();
    });
}

QString NoisePanel::habitWords(const Vector2& habit, double sd, int marks) {
    // Less than twice its own uncertainty is no habit.
    if (!(std::isfinite(sd) && habit.norm() > 2 * sd / std::sqrt(marks))) return tr("none to speak of");
    const bool along = std::abs(habit.x()) >= std::abs(habit.y());
    const double most = along ? habit.x() : habit.y();
    const QString where = along ? (most > 0 ? tr("toward the head") : tr("toward the feet"))
                                : (most > 0 ? tr("to the front") : tr("to the back"));
    return tr("%1 %2").arg(share(std::abs(most)), where);
}

QString NoisePanel::sentence() const {
    const auto& noise = round_.noise();
    if (!noise) return {};
    return tr("Your marks scatter by %1 of the trunk (%2 to %3, from %4 marks).")
        .arg(share(noise->sd), share(noise->sdLow95), share(noise->sdHigh95))
        .arg(noise->marks);
}

/// Where the point lies that is asked for.
void NoisePanel::paintWhere(QPainter& p, const QRectF& box) const {
    const PracticePicture* picture = round_.picture();
    const std::string asked = round_.asked();
    if (!picture || !picture->exercise || !picture->exercise->start.count(asked)) return;
    p.setRenderHint(QPainter::Antialiasing);
    drawSketch(p, box, *picture->exercise, picture->exercise->start, nullptr, asked);
}

void NoisePanel::paintBody(QPainter& p, const QRect& body) {
    const Palette& c = colours();
    const double w = body.width(), x = body.left();
    const auto column = [&](double from, double to, double y) {
        return QRectF(x + from * w, y, (to - from) * w, kRow);
    };
    double y = body.top();
    const auto& noise = round_.noise();
    if (!noise) {
        const auto own = ownMarking();
        const QString words =
            own ? tr("In use since %1: %2 of the trunk, from %3 marks.")
                      .arg(QLocale(QLocale::English).toString(own->since, QStringLiteral("d MMMM yyyy")),
                           share(own->sd))
                      .arg(own->marks)
                : tr("Not known yet: bands take %1 pixels for everybody.").arg(QString::number(kMarkingSdPx, 'f', 1));
        p.setPen(c.ink2);
        p.setFont(face(Size::Body));
        p.drawText(QRectF(body), Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, words);
        paintWhere(p, QRectF(x, y + 56, w, 0.6 * w));
        return;
    }
    putText(p, column(0, 0.42, y), tr("point"), Size::Small, c.ink2);
    putText(p, column(0.42, 0.56, y), tr("scatter"), Size::Small, c.ink2, QFont::Normal,
            Qt::AlignRight | Qt::AlignVCenter);
    putText(p, column(0.62, 1, y), tr("your habit"), Size::Small, c.ink2);
    y += kRow;
    for (const auto& [name, own] : noise->landmarks) {
        QString words = QString::fromStdString(landmarkWords(name));
        words[0] = words[0].toUpper();
        putText(p, column(0, 0.42, y), words, Size::Small, c.ink, QFont::DemiBold);
        putText(p, column(0.42, 0.56, y), std::isfinite(own.sd) ? share(own.sd) : tr("–"), Size::Small, c.ink,
                QFont::DemiBold, Qt::AlignRight | Qt::AlignVCenter);
        putText(p, column(0.62, 1, y), habitWords(own.habit, own.sd, own.marks), Size::Small, c.ink2);
        p.setPen(QPen(c.hairline, 1));
        p.drawLine(QPointF(x, y + kRow), QPointF(x + w, y + kRow));
        y += kRow;
    }
    p.setPen(c.ink);
    p.setFont(face(Size::Body, QFont::DemiBold));
    const QRectF rest(x, y + 12, w, body.bottom() - y - 12);
    QRectF used;
    p.drawText(rest, Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, sentence(), &used);
    p.setPen(c.ink2);
    p.setFont(face(Size::Small));
    p.drawText(rest.adjusted(0, used.height() + 8, 0, 0), Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop,
               tr("A habit cancels between two visits, and in everything told against neutral or the start. The "
                  "scatter does not: it goes into the ± of readings."));
}

} // namespace deft::ui
