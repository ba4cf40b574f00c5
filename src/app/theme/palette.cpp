// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/palette.h"

#include <QFontDatabase>

namespace deft::ui {
namespace {

Palette make(std::initializer_list<const char*> c, bool dark) {
    auto it = c.begin();
    Palette p;
    for (QColor* target : {&p.ground, &p.paper, &p.raised, &p.ink, &p.ink2, &p.ink3, &p.accent, &p.onAccent, &p.soft,
                           &p.zone, &p.hairline, &p.strong, &p.stage, &p.onStage})
        *target = QColor(QLatin1String(*it++));
    p.dark = dark;
    return p;
}

bool g_dark = false;
thread_local int t_onPaper = 0;

} // namespace

const Palette& lightPalette() {
    static const Palette p = make({"#EBEAE6", "#F7F6F3", "#FFFFFF", "#1C2023", "#4A5154", "#5A6164", "#0E5877",
                                   "#FFFFFF", "#D3E4EB", "#D6D4CD", "#CECCC5", "#A9A8A1", "#3A3D3F", "#F4F4F2"},
                                  false);
    return p;
}

const Palette& darkPalette() {
    static const Palette p = make({"#131516", "#1B1E1F", "#26292B", "#EAEAE6", "#B7BDBF", "#A0A7AA", "#7CCBE8",
                                   "#0C1A20", "#1E3B47", "#373D40", "#363B3D", "#596063", "#2A2D2F", "#F4F4F2"},
                                  true);
    return p;
}

const Palette& colours() { return g_dark && t_onPaper == 0 ? darkPalette() : lightPalette(); }
OnPaper::OnPaper() { ++t_onPaper; }
OnPaper::~OnPaper() { --t_onPaper; }
void usePalette(bool dark) { g_dark = dark; }

bool loadTypeface() {
    static const bool loaded = [] {
        bool all = true;
        for (const char* face : {"Regular", "Medium", "SemiBold"})
            all = QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/Inter-%1.otf").arg(QLatin1String(face))) >=
                      0 &&
                  all;
        return all;
    }();
    return loaded;
}

QFont face(Size size, QFont::Weight weight) {
    QFont f(QStringLiteral("Inter Plain")); // tools/typeface.py
    f.setPixelSize(int(size));
    f.setWeight(weight);
    return f;
}

} // namespace deft::ui
