// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/hard_words.h"

#include <QCoreApplication>

namespace deft::ui {

QString explained(HardWord word) {
    switch (word) {
    case HardWord::ControlRange:
        return QCoreApplication::translate("deft::ui::HardWord", "Control range: how far the moving part went before the part that is to stay still left its tolerance.");
    case HardWord::GiveWay:
        return QCoreApplication::translate("deft::ui::HardWord", "Give-way: how far the part that is to stay still strayed while the other part moved. Where a line leaves the pale floor, control ended.");
    case HardWord::Band:
        return QCoreApplication::translate("deft::ui::HardWord", "±: the true value lies within this much of the number 19 times in 20.");
    case HardWord::CannotTell:
        return QCoreApplication::translate("deft::ui::HardWord", "Cannot tell: the limit lies inside the ± of the reading, or too little was seen. Another clip may tell.");
    }
    return {};
}

} // namespace deft::ui
