// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/landmark_hints.h"

#include "marks/names.h"

#include <QCoreApplication>
#include <map>

namespace deft::ui {

QString landmarkHint(const std::string& landmark) {
    static const std::map<std::string, const char*> hints = {
        {"ear", QT_TRANSLATE_NOOP("landmark", "The opening of the ear, not the lobe.")},
        {"eye", QT_TRANSLATE_NOOP("landmark", "The outer corner of the eye.")},
        {"chin", QT_TRANSLATE_NOOP("landmark", "The foremost point of the chin.")},
        {"nose", QT_TRANSLATE_NOOP("landmark", "The tip of the nose.")},
        {"c7", QT_TRANSLATE_NOOP("landmark", "The knob at the base of the neck that stands out when the head bows.")},
        {"shoulder", QT_TRANSLATE_NOOP("landmark", "The bony edge on top of the shoulder's outside. It stays where it "
                                                   "is while the arm swings.")},
        {"elbow", QT_TRANSLATE_NOOP("landmark", "The middle of the joint, where the arm folds, not the point behind "
                                                "it.")},
        {"wrist", QT_TRANSLATE_NOOP("landmark", "The middle of the joint, between the two knobs.")},
        {"hand", QT_TRANSLATE_NOOP("landmark", "The knuckle of the middle finger.")},
        {"rib", QT_TRANSLATE_NOOP("landmark", "The lower edge of the ribs in front, above the hip point.")},
        {"t12", QT_TRANSLATE_NOOP("landmark", "The back at the height of the lowest rib.")},
        {"back_mid", QT_TRANSLATE_NOOP("landmark", "The deepest point of the low back's hollow.")},
        {"sacrum", QT_TRANSLATE_NOOP("landmark", "The flat bone between the two dimples, below the low back.")},
        {"psis", QT_TRANSLATE_NOOP("landmark", "The dimple at the back of the hip, beside the sacrum.")},
        {"asis", QT_TRANSLATE_NOOP("landmark", "The bone in front that a hand on the hip meets first. It moves with "
                                               "the pelvis alone, not with the thigh.")},
        {"crest",
         QT_TRANSLATE_NOOP("landmark", "The highest point of the hip bone at the side, where the hand rests.")},
        {"pubis", QT_TRANSLATE_NOOP("landmark", "The front of the pubic bone, low in the middle.")},
        {"hip", QT_TRANSLATE_NOOP("landmark", "The bony knob at the outside of the hip. Lift the leg in your mind: it "
                                              "stays still while the thigh turns round it.")},
        {"knee", QT_TRANSLATE_NOOP("landmark", "The middle of the joint at its side, where the shin begins to turn.")},
        {"ankle", QT_TRANSLATE_NOOP("landmark", "The knob at the outside of the ankle.")},
        {"heel", QT_TRANSLATE_NOOP("landmark", "The lowest point at the back of the heel.")},
        {"toe", QT_TRANSLATE_NOOP("landmark", "The ball of the little toe; of a foot from the front, of the big one.")},
        {"sternum", QT_TRANSLATE_NOOP("landmark", "The middle of the breastbone.")},
        {"floor_a", QT_TRANSLATE_NOOP("landmark", "The mat's edge nearest to you, where the feet are.")},
        {"floor_b", QT_TRANSLATE_NOOP("landmark", "The same edge of the mat, where the head is.")},
        {"plumb_a", QT_TRANSLATE_NOOP("landmark", "Something that hangs or stands upright: its upper end.")},
        {"plumb_b", QT_TRANSLATE_NOOP("landmark", "The lower end of the same upright.")},
        {"scale_a", QT_TRANSLATE_NOOP("landmark", "One end of a length that you know, beside the body.")},
        {"scale_b", QT_TRANSLATE_NOOP("landmark", "The other end of it.")},
        {"far_knee",
         QT_TRANSLATE_NOOP("landmark", "The middle of the knee of the leg that lies behind the other, or below it.")},
        {"far_ankle", QT_TRANSLATE_NOOP("landmark", "The ankle of the leg that lies behind the other, or below it.")},
        {"wheel", QT_TRANSLATE_NOOP("landmark", "The wheel's axle.")},
        {"ball", QT_TRANSLATE_NOOP("landmark", "The middle of the ball.")}};
    const std::string side = sideOf(landmark);
    const auto hint = hints.find(landmark.substr(0, landmark.size() - side.size()));
    if (hint == hints.end()) return {};
    const QString words = QCoreApplication::translate("landmark", hint->second);
    if (side.empty()) return words;
    return words + QLatin1Char(' ') +
           (side == "_l" ? QCoreApplication::translate("landmark", "On the client's own left.")
                         : QCoreApplication::translate("landmark", "On the client's own right."));
}

} // namespace deft::ui
