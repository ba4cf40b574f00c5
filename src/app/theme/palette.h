// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QColor>
#include <QFont>

namespace deft::ui {

/// Colours by what they are for. Contrast of every pair is at least 4.5 : 1 (checked by a test).
struct Palette {
    QColor ground, paper, raised, ink, ink2, ink3, accent, onAccent, soft, zone, hairline, strong, stage, onStage;
    bool dark = false;
};

const Palette& lightPalette();
const Palette& darkPalette();
const Palette& colours(); ///< the one in use
void usePalette(bool dark);

/// While it lives, this thread paints in light colours: what is printed or passed on lies on paper.
class OnPaper {
public:
    OnPaper();
    ~OnPaper();
    OnPaper(const OnPaper&) = delete;
    OnPaper& operator=(const OnPaper&) = delete;
};

/// On pictures in both themes.
inline const QColor kOnPicture(255, 255, 255), kLineThatMatters(0x8A, 0xD4, 0xF0), kCasing(0x14, 0x18, 0x1A, 153);

constexpr int kUnit = 8;
enum class Size { Small = 12, Body = 14, Large = 20 };
/// Inter at one of the three sizes (px).
QFont face(Size size, QFont::Weight weight = QFont::Normal);
/// Makes the shipped typeface known. False when it is missing from the program.
bool loadTypeface();

} // namespace deft::ui
