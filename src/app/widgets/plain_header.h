// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QHeaderView>

namespace deft::ui {

/// The words over the columns of a PlainTable, small and without a line. What is longer than its column ends in dots,
/// and each stands where its column's numbers do, also in a window that is read from the right.
class PlainHeader : public QHeaderView {
public:
    explicit PlainHeader(QWidget* parent);

protected:
    void paintSection(QPainter* p, const QRect& rect, int section) const override;
};

} // namespace deft::ui
