// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/theme/palette.h"

#include <QPainter>
#include <QPixmap>
#include <functional>

namespace deft::ui {

/// A drawing that stays while only something small on it moves: drawn once, and again in another size or theme, for
/// another choice, or when it is forgotten.
class StillPicture {
public:
    void forget() { picture_ = {}; }
    /// @param choice what of it stands out
    void paint(QPainter& p, const QRect& box, int choice, const std::function<void(QPainter&)>& draw) {
        const double scale = p.device()->devicePixelRatioF();
        const Key key{box.size(), scale, colours().dark, choice};
        if (picture_.isNull() || key != key_) {
            picture_ = QPixmap(box.size() * scale);
            picture_.setDevicePixelRatio(scale);
            picture_.fill(Qt::transparent);
            QPainter inner(&picture_);
            inner.setRenderHints(p.renderHints());
            inner.translate(-box.topLeft());
            draw(inner);
            key_ = key;
        }
        p.drawPixmap(box.topLeft(), picture_);
    }

private:
    struct Key {
        QSize size;
        double scale = 0;
        bool dark = false;
        int choice = 0;
        bool operator==(const Key&) const = default;
    };
    Key key_;
    QPixmap picture_;
};

} // namespace deft::ui
