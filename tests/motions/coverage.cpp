// SPDX-License-Identifier: GPL-3.0-or-later
#include "motions/coverage.h"

#include "exercises/exercise.h"
#include "motions/scenes.h"
#include "support/catalogue.h"

#include <QStringList>
#include <set>

namespace deft::test {

QString coverage() {
    std::map<std::string, const Scene*> made;
    const auto all = scenes(Person{}, true);
    for (const Scene& s : all)
        if (s.view.empty()) made[s.name()] = &s;
    QString text = QStringLiteral("# What the made motions cover\n\nMade by the test `motions` (`tests/motions`): "
                                  "a person of lengths and joint "
                                  "angles, from rest to rest and from\nposition to position, three bodies, both "
                                  "directions. Each fault is put "
                                  "into one rep, on the way out, in the hold and on\nthe way back where it counts "
                                  "and there is time for it; it "
                                  "must be found then and there, and nothing that does not follow\nfrom it.\n\n"
                                  "Not covered here: set-up checks (read from the drawings, `every_exercise`), two "
                                  "faults that have nothing to do with each other in one rep, what only a camera "
                                  "brings (turned, cut, blurred, clothes: `accuracy`), and what no camera shows.\n\n"
                                  "| exercise | version | faults made | faults not made |\n|---|---|---|---|\n");
    QStringList without;
    for (const std::string& id : shipped().exerciseIds()) {
        const Exercise e = shipped().exercise(id).value();
        for (const Version& version : e.ladder) {
            const auto at = made.find(id + "/" + version.id);
            if (at == made.end()) {
                without << QString::fromStdString(id + "/" + version.id);
                continue;
            }
            std::set<std::string> faults;
            for (const Wrong& w : at->second->wrongs) faults.insert(w.fault);
            if (at->second->reps.size() > 1) faults.insert({"fast-out", "fast-back"}); // hurriedEverywhere
            if (id == "wall-turn") faults.insert({"lead", "lag"});                     // turnedInTwoPieces
            if (id == "bridge") faults.insert({"off-line", "in-one-piece"});           // bridgesOfTheirOwn
            QStringList yes, no;
            const Exercise done = shipped().inVersion(e, version.id).value();
            for (const FaultPlan& f : done.faults) (faults.count(f.id) ? yes : no) << QString::fromStdString(f.id);
            text += QStringLiteral("| %1 | %2 | %3 | %4 |\n")
                        .arg(QString::fromStdString(e.name), QString::fromStdString(version.name), yes.join(", "),
                             no.join(", "));
        }
    }
    QStringList others;
    for (const Scene& s : all) {
        if (s.view.empty()) continue;
        QStringList faults;
        for (const Wrong& w : s.wrongs) faults << QString::fromStdString(w.fault);
        others << QString::fromStdString(s.name()) + " (" + faults.join(", ") + ")";
    }
    text += QStringLiteral("\nFrom another view: %1.\n").arg(others.join("; "));
    if (!without.isEmpty()) text += QStringLiteral("\nWithout a made motion: %1.\n").arg(without.join(", "));
    return text;
}

} // namespace deft::test
