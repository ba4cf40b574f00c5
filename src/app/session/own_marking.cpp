// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/own_marking.h"

#include "base/json.h"
#include "readings/marking_noise.h"

#include <QSettings>

namespace deft::ui {

std::optional<OwnMarking> ownMarking() {
    const QSettings settings;
    const double sd = settings.value(QStringLiteral("practice/sd")).toDouble();
    if (!(sd > 0)) return std::nullopt;
    return OwnMarking{sd, settings.value(QStringLiteral("practice/marks")).toInt(),
                      settings.value(QStringLiteral("practice/since")).toDate()};
}

void setOwnMarking(const std::optional<OwnMarking>& own) {
    QSettings settings;
    settings.remove(QStringLiteral("practice"));
    if (!own) return;
    settings.setValue(QStringLiteral("practice/sd"), own->sd);
    settings.setValue(QStringLiteral("practice/marks"), own->marks);
    settings.setValue(QStringLiteral("practice/since"), own->since);
}

void noteOwnMarking(Marks& marks) {
    const auto own = ownMarking();
    const double trunk = marks.frames.empty() ? 0 : trunkPx(marks.frames.front());
    if (own && trunk > 0) marks.markingSd_px = rounded(own->sd * trunk, 2);
}

} // namespace deft::ui
