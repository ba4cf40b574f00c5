// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/compare/difference_table.h"

#include "app/theme/words.h"

namespace deft::ui {
namespace {

constexpr int kRow = 22, kName = 256, kNumber = 136, kWords = 200;

QString number(const ReadingRow& row) {
    if (!row.why.empty()) return QObject::tr("cannot tell");
    return QObject::tr("%1 ± %2").arg(reading(row.value, row.unit, row.decimals, row.sign), band(row.u95));
}

} // namespace

DifferenceTable::DifferenceTable(Comparison& comparison, QWidget* parent)
    : Panel(tr("What differs"), parent), comparison_(comparison) {
    setAside(tr("real = outside the band in which change is only noise, and more than reps differ"));
    connect(&comparison, &Comparison::changed, this, &DifferenceTable::refresh);
    refresh();
}

QString DifferenceTable::verdict(const Difference& d) {
    switch (d.verdict) {
    case Difference::Verdict::CannotTell:
        return tr("cannot tell");
    case Difference::Verdict::WithinBand:
        return tr("no real difference");
    case Difference::Verdict::WithinReps:
        return tr("reps differ as much");
    case Difference::Verdict::Real:
        break;
    }
    return !d.better ? tr("really different") : *d.better ? tr("really better") : tr("really worse");
}

void DifferenceTable::refresh() {
    setFixedHeight(kHead + kRow * (int(comparison_.table().size()) + 1) + 4);
    QStringList told;
    for (const Difference& d : comparison_.table())
        told << QStringLiteral("%1: %2, %3, %4").arg(said(d.a.name), number(d.a), number(d.b), verdict(d));
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

void DifferenceTable::paintBody(QPainter& p, const QRect& body) {
    if (!comparison_.side(0)) return;
    const Palette& c = colours();
    const double first = body.left() + std::min(kName, body.width() - kWords - 3 * kNumber);
    auto line = [&](int row, const QStringList& cells, const QColor& colour, QFont::Weight weight) {
        const double y = body.top() + row * kRow;
        putText(p, QRectF(body.left(), y, first - body.left() - 8, kRow), cells[0], Size::Small, colour, weight);
        for (int i = 0; i < 3; ++i)
            putText(p, QRectF(first + i * kNumber, y, kNumber - 8, kRow), cells[1 + i], Size::Small, colour, weight,
                    Qt::AlignRight | Qt::AlignVCenter);
        putText(p, QRectF(first + 3 * kNumber + 16, y, kWords - 16, kRow), cells[4], Size::Small, colour, weight);
    };
    line(0,
         {QString(), comparison_.side(0)->title.section(QLatin1Char(','), 0, 0),
          comparison_.side(1)->title.section(QLatin1Char(','), 0, 0), tr("difference"), QString()},
         c.ink2, QFont::Normal);
    int row = 0;
    for (const Difference& d : comparison_.table()) {
        const bool real = d.verdict == Difference::Verdict::Real;
        QString name = said(d.a.name);
        if (!name.isEmpty()) name[0] = name[0].toUpper();
        const QString change = std::isfinite(d.change)
                                   ? tr("%1 ± %2").arg(reading(d.change, d.a.unit, d.a.decimals, true), band(d.u95))
                                   : QStringLiteral("–");
        line(++row, {name, number(d.a), number(d.b), change, verdict(d)}, real ? c.ink : c.ink2,
             real ? QFont::DemiBold : QFont::Normal);
    }
}

} // namespace deft::ui
