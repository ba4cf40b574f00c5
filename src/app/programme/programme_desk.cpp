// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/programme/programme_desk.h"

#include "app/theme/words.h"

#include "app/session/usual_schools.h"
#include "base/dates.h"

#include <QDate>
#include <algorithm>

namespace deft::ui {

/// A programme before and after.
class ProgrammeChange : public QUndoCommand {
public:
    ProgrammeChange(ProgrammeDesk& desk, const QString& what, Programme after)
        : QUndoCommand(what), desk_(desk), before_(desk.programme()), after_(std::move(after)) {}
    void redo() override { desk_.take(after_); }
    void undo() override { desk_.take(before_); }

private:
    ProgrammeDesk& desk_;
    Programme before_, after_;
};

ProgrammeDesk::ProgrammeDesk(Library& library, QObject* parent) : QObject(parent), library_(library) {}

void ProgrammeDesk::show(int64_t client) {
    clients_ = library_.clients();
    auto found = std::find_if(clients_.begin(), clients_.end(), [&](const Client& c) { return c.id == client; });
    if (found == clients_.end()) found = clients_.begin();
    const int64_t before = client_.id;
    client_ = found == clients_.end() ? Client() : *found;
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    need_ = programmeNeed(library_, client_.id, today, usualSchools());
    given_ = isEmpty() ? std::vector<GivenProgramme>() : library_.programmes(client_.id);
    practised_ = isEmpty() ? std::vector<PractisedDay>() : library_.practised(client_.id);
    const auto draft = isEmpty() ? std::nullopt : library_.programmeDraft(client_.id);
    if (before != client_.id || !draft) undo_.clear(), leftOut_.clear(), chosen_ = -1;
    trouble_.clear();
    programme_ = {};
    auto proposed = isEmpty()   ? Result<ProposedProgramme>(fail(Errc::NotFound, ""))
                    : running() ? growProgramme(*library_.catalogue(), need_, running()->programme)
                                : proposeProgramme(*library_.catalogue(), need_);
    if (!isEmpty() && !proposed) trouble_ = ui::said(proposed.error());
    if (proposed) leftOut_ = proposed->leftOut;
    if (draft && trouble_.isEmpty())
        programme_ = *draft;
    else if (proposed)
        programme_ = std::move(proposed->programme);
    chosen_ = programme_.items.empty() ? -1 : std::clamp(chosen_, 0, int(programme_.items.size()) - 1);
    emit changed();
}

const GivenProgramme* ProgrammeDesk::running() const {
    if (given_.empty()) return nullptr;
    const auto today = parseDate(need_.from);
    return today && *today < endOf(given_.back().programme) ? &given_.back() : nullptr;
}

bool ProgrammeDesk::isGiven() const {
    return running() && programme_.items == running()->programme.items && programme_.uid == running()->programme.uid;
}

void ProgrammeDesk::choose(int item) {
    if (item < 0 || item >= int(programme_.items.size()) || item == chosen_) return;
    chosen_ = item;
    emit changed();
}

const ProgrammeItem* ProgrammeDesk::item() const { return chosen_ < 0 ? nullptr : &programme_.items[size_t(chosen_)]; }

Schools ProgrammeDesk::schoolsOf(const std::string& exercise) const {
    for (const Reviewed& r : need_.record)
        if (r.reviews.back().exercise == exercise) return r.schools;
    return need_.schools;
}

std::optional<Exercise> ProgrammeDesk::exercise(const ProgrammeItem& item) const {
    auto e = exerciseOf(*library_.catalogue(), item, schoolsOf(item.exercise));
    return e ? std::optional(std::move(*e)) : std::nullopt;
}

void ProgrammeDesk::take(const Programme& programme) {
    programme_ = programme;
    chosen_ = programme_.items.empty() ? -1 : std::clamp(chosen_, 0, int(programme_.items.size()) - 1);
    if (auto ok = library_.saveProgrammeDraft(client_.id, programme_); !ok)
        emit said(tr("Not saved: %1.").arg(ui::said(ok.error())));
    emit changed();
}

void ProgrammeDesk::change(const QString& what, Programme programme) {
    if (isEmpty() || programme == programme_) return;
    if (running() && programme.uid == running()->programme.uid) programme.uid = need_.uid, programme.from = need_.from;
    // What is looked at again is looked at on the last day of practice, unless the coach has said another.
    const auto days = practiceDays(programme);
    const bool isWhenChanged = days != practiceDays(programme_) || (programme.lookAgain && !programme_.lookAgain);
    if (programme.lookAgain && !days.empty() && isWhenChanged) programme.lookAgain->on = isoDate(days.back());
    undo_.push(new ProgrammeChange(*this, what, std::move(programme)));
}

void ProgrammeDesk::propose() {
    if (isEmpty() || !trouble_.isEmpty()) return;
    ProgrammeNeed need = need_; // in the time that the coach has set
    need.from = programme_.from, need.weeks = programme_.weeks, need.days = programme_.days;
    need.minutes = programme_.minutes, need.uid = programme_.uid;
    need.goals = programme_.goals, need.reminder = programme_.reminder;
    auto proposed = proposeProgramme(*library_.catalogue(), need);
    if (!proposed) return emit said(tr("Not proposed: %1.").arg(ui::said(proposed.error())));
    leftOut_ = std::move(proposed->leftOut);
    if (proposed->programme == programme_) return emit said(tr("It is as it would be proposed."));
    change(tr("propose"), std::move(proposed->programme));
}

void ProgrammeDesk::begin(const QString& what, const Programme& from) {
    if (isEmpty()) return emit said(tr("Choose a client first."));
    auto open = openProgramme(*library_.catalogue(), need_, from);
    Programme p = programme_;
    p.items = std::move(open.programme.items);
    change(what, std::move(p));
    const QString done = what.left(1).toUpper() + what.mid(1);
    emit said(open.leftOut.empty() ? tr("%1.").arg(done)
                                   : tr("%1, without %2.")
                                         .arg(done, spoken(open.leftOut.front().name) + QStringLiteral(" (") +
                                                        ui::said(open.leftOut.front().why) + QLatin1Char(')')));
}

void ProgrammeDesk::useTemplate(const std::string& name) {
    const auto from = library_.programmeTemplate(name);
    if (!from) return emit said(tr("Not used: %1.").arg(ui::said(from.error())));
    begin(tr("begun from the template %1").arg(QString::fromStdString(name)), *from);
}

void ProgrammeDesk::saveTemplate(const std::string& name) {
    if (programme_.items.empty()) return emit said(tr("There is no exercise in it."));
    const auto ok = library_.saveTemplate(name, programme_);
    emit said(ok ? tr("Kept as the template %1; the client is not in it.").arg(QString::fromStdString(name))
                 : tr("Not kept: %1.").arg(ui::said(ok.error())));
}

void ProgrammeDesk::removeTemplate(const std::string& name) {
    const auto ok = library_.removeTemplate(name);
    emit said(ok ? tr("The template %1 is gone.").arg(QString::fromStdString(name))
                 : tr("Not removed: %1.").arg(ui::said(ok.error())));
}

bool ProgrammeDesk::isLookedAtAgain(const std::string& exercise) const {
    if (!programme_.lookAgain) return false;
    const auto& ids = programme_.lookAgain->exercises;
    return std::find(ids.begin(), ids.end(), exercise) != ids.end();
}

void ProgrammeDesk::lookAgain(const std::string& exercise, bool again) {
    Programme p = programme_;
    if (!p.lookAgain) p.lookAgain.emplace();
    std::erase(p.lookAgain->exercises, exercise);
    if (again) p.lookAgain->exercises.push_back(exercise);
    if (p.lookAgain->exercises.empty()) p.lookAgain.reset();
    change(again ? tr("look again") : tr("not to be looked at again"), std::move(p));
}

void ProgrammeDesk::move(int by) {
    const int to = chosen_ + by;
    if (chosen_ < 0 || to < 0 || to >= int(programme_.items.size())) return;
    Programme p = programme_;
    std::swap(p.items[size_t(chosen_)], p.items[size_t(to)]);
    chosen_ = to;
    change(by < 0 ? tr("earlier") : tr("later"), std::move(p));
}

void ProgrammeDesk::moveTo(int place) {
    const int last = int(programme_.items.size()) - 1, from = chosen_, to = std::clamp(place, 0, std::max(0, last));
    if (from < 0 || from == to) return;
    Programme p = programme_;
    const auto first = p.items.begin();
    if (from < to)
        std::rotate(first + from, first + from + 1, first + to + 1);
    else
        std::rotate(first + to, first + from, first + from + 1);
    chosen_ = to;
    change(tr("order"), std::move(p));
}

void ProgrammeDesk::remove() {
    if (chosen_ < 0) return;
    Programme p = programme_;
    p.items.erase(p.items.begin() + chosen_);
    change(tr("leave out"), std::move(p));
}

void ProgrammeDesk::add(ProgrammeItem item) {
    if (programme_.items.size() >= size_t(kMostItems)) return emit said(tr("Twelve exercises are as many as fit."));
    Programme p = programme_;
    p.items.insert(p.items.begin() + chosen_ + 1, std::move(item));
    ++chosen_;
    change(tr("add"), std::move(p));
}

void ProgrammeDesk::replace(ProgrammeItem item) {
    if (chosen_ < 0) return;
    Programme p = programme_;
    p.items[size_t(chosen_)] = std::move(item);
    change(tr("change"), std::move(p));
}

void ProgrammeDesk::stepVersion(int by) {
    const ProgrammeItem* now = item();
    const auto plain = now ? library_.catalogue()->exercise(now->exercise) : Result<Exercise>(fail(Errc::NotFound, ""));
    if (!plain) return;
    const int at = plain->versionIndex(now->target.version) + by;
    if (at < 0 || at >= int(plain->ladder.size())) return emit said(tr("There is no other version."));
    auto next = newItem(*library_.catalogue(), need_, now->exercise, plain->ladder[size_t(at)].id);
    if (!next) return emit said(tr("Locked: %1.").arg(ui::said(next.error())));
    next->because = {"version chosen by the coach"};
    replace(std::move(*next));
}

std::vector<ProgrammeItem> ProgrammeDesk::instead() const {
    return chosen_ < 0 ? std::vector<ProgrammeItem>{}
                       : insteadOf(*library_.catalogue(), need_, programme_, size_t(chosen_));
}

std::vector<ProgrammeItem> ProgrammeDesk::more() const {
    std::vector<ProgrammeItem> out;
    const CataloguePtr catalogue = library_.catalogue();
    for (const std::string& id : catalogue->exerciseIds()) {
        if (std::any_of(programme_.items.begin(), programme_.items.end(),
                        [&](const ProgrammeItem& item) { return item.exercise == id; }))
            continue;
        auto item = newItem(*catalogue, need_, id);
        if (!item) continue;
        item->because = {"chosen by the coach"};
        out.push_back(std::move(*item));
    }
    std::stable_sort(out.begin(), out.end(), [&](const ProgrammeItem& a, const ProgrammeItem& b) {
        return catalogue->exercise(a.exercise)->series->part < catalogue->exercise(b.exercise)->series->part;
    });
    return out;
}

Result<int64_t> ProgrammeDesk::give() {
    if (programme_.items.empty()) return fail(Errc::Unsupported, "there is no exercise in it");
    auto id = library_.giveProgramme(client_.id, programme_);
    if (!id) return id;
    undo_.clear();
    refresh();
    return id;
}

} // namespace deft::ui

#include "moc_programme_desk.cpp"
