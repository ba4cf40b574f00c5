// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/plain_header.h"

#include "app/paint/strokes.h"

namespace deft::ui {
namespace {
constexpr int kMargin_px = 3; // as the cells below have
} // namespace

PlainHeader::PlainHeader(QWidget* parent) : QHeaderView(Qt::Horizontal, parent) {
    setMinimumSectionSize(16);
    setSectionsClickable(false);
    setFont(face(Size::Small)); // tells its height
}

void PlainHeader::paintSection(QPainter* p, const QRect& rect, int section) const {
    const QVariant side = model()->headerData(section, orientation(), Qt::TextAlignmentRole);
    p->save();
    putText(*p, rect.adjusted(kMargin_px, 0, -kMargin_px, 0), model()->headerData(section, orientation()).toString(),
            Size::Small, colours().ink3, QFont::Normal,
            side.isValid() ? Qt::Alignment(side.toInt()) : Qt::AlignLeft | Qt::AlignVCenter);
    p->restore();
}

} // namespace deft::ui
