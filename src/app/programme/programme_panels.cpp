// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/programme/programme_panels.h"

#include "app/theme/target_words.h"
#include "app/theme/words.h"
#include "base/dates.h"

#include <QDate>

namespace deft::ui {
namespace {

constexpr int kWeekRow = 30, kWeeksShown = 4, kSquare = 12, kStep = 20;

QString doseWords(const ProgrammeDesk& desk, const ProgrammeItem& item) {
    const auto e = desk.exercise(item);
    if (!e) return {};
    const int version = e->versionIndex(item.target.version);
    const QString dose = targetWords(*e, item.target);
    return version < 0 ? dose : QObject::tr("%1, %2").arg(spoken(e->ladder[size_t(version)].name), dose);
}

} // namespace

DonePanel::DonePanel(ProgrammeDesk& desk, QWidget* parent) : Panel(tr("Done"), parent), desk_(desk) {
    connect(&desk, &ProgrammeDesk::changed, this, &DonePanel::refresh);
}

void DonePanel::refresh() {
    weeks_.clear();
    const auto today = parseDate(QDate::currentDate().toString(Qt::ISODate).toStdString());
    for (const GivenProgramme& given : desk_.given()) {
        if (!parseDate(given.programme.from)) continue;
        for (const WeekDone& w : weeksDone(given.programme, desk_.practised(), *today)) {
            if (w.asked == 0 && w.done == 0) continue;
            const auto monday = *parseDate(given.programme.from) + std::chrono::days(7 * w.week);
            weeks_.push_back({w, tr("%1: %2 of %3").arg(dayWords(isoDate(monday))).arg(w.done).arg(w.asked) +
                                     (w.pain ? tr(", pain") : QString())});
        }
    }
    setAside(weeks_.empty() ? QString() : counted(int(weeks_.size()), tr("week"), tr("weeks")));
    if (weeks_.size() > kWeeksShown) weeks_.erase(weeks_.begin(), weeks_.end() - kWeeksShown);
    QStringList told;
    for (const Week& w : weeks_) told << w.words;
    setAccessibleDescription(told.isEmpty() ? tr("nothing has come home yet") : told.join(QStringLiteral("; ")));
    setFixedHeight(kHead + kWeekRow * std::max(1, int(weeks_.size())));
    update();
}

void DonePanel::paintBody(QPainter& p, const QRect& body) {
    const Palette& c = colours();
    if (weeks_.empty()) {
        putText(p, QRectF(0, body.top(), body.width(), 20), tr("Nothing has come home yet."), Size::Small, c.ink2);
        return;
    }
    int y = body.top();
    for (const Week& w : weeks_) {
        const int squares = std::min(7, std::max(w.done.asked, w.done.done));
        for (int i = 0; i < squares; ++i) {
            const QRectF square(i * kStep + 0.5, y + 5.5, kSquare, kSquare);
            p.setPen(QPen(i < w.done.done ? c.accent : c.ink, 1.2));
            p.setBrush(i < w.done.done ? QBrush(c.accent) : QBrush(Qt::NoBrush));
            p.drawRect(square);
        }
        const double left = squares * kStep + 6;
        putText(p, QRectF(left, y, body.width() - left, 24), w.words, Size::Small, w.done.pain ? c.ink : c.ink2,
                w.done.pain ? QFont::DemiBold : QFont::Normal);
        y += kWeekRow;
    }
}

CoursePanel::CoursePanel(ProgrammeDesk& desk, QWidget* parent) : Panel(tr("Weeks"), parent), desk_(desk) {
    connect(&desk, &ProgrammeDesk::changed, this, &CoursePanel::refresh);
}

void CoursePanel::refresh() {
    QStringList told;
    if (!desk_.given().empty()) told = differencesBetween(desk_, desk_.given().back().programme, desk_.programme());
    setAside(desk_.given().empty() ? tr("the first programme")
             : desk_.isGiven()     ? tr("as it was given")
             : told.isEmpty()      ? tr("as before")
                                   : counted(int(told.size()), tr("change"), tr("changes")));
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    setToolTip(told.join(QLatin1Char('\n')));
    update();
}

void CoursePanel::paintBody(QPainter& p, const QRect& body) {
    const Palette& c = colours();
    const Programme& now = desk_.programme();
    const auto begins = parseDate(now.from);
    if (now.items.empty() || !begins) return;
    auto first = *begins;
    for (const GivenProgramme& g : desk_.given())
        if (const auto from = parseDate(g.programme.from)) first = std::min(first, *from);
    const auto last = endOf(now);
    constexpr double kName = 168;
    const double days = std::max(7.0, double((last - first).count())), left = kName, wide = body.width() - kName - 8;
    const auto x = [&](std::chrono::sys_days day) { return left + wide * double((day - first).count()) / days; };
    const double head = body.top() + 18;
    // What is being made lies on a tinted ground.
    p.fillRect(QRectF(x(*begins), head, x(last) - x(*begins), body.bottom() - head), c.zone);
    const int weeks = int(std::lround(days / 7)), every = weeks > 16 ? 4 : weeks > 8 ? 2 : 1;
    for (int w = 0; w <= weeks; ++w) {
        const double at = x(first + std::chrono::days(7 * w));
        p.fillRect(QRectF(at, head, 1, body.bottom() - head), c.hairline);
        if (w < weeks && w % every == 0)
            putText(p, QRectF(at, body.top(), 90, 16), dayWords(isoDate(first + std::chrono::days(7 * w))), Size::Small,
                    c.ink2);
    }
    const double row = std::clamp((body.bottom() - head - 4) / double(now.items.size()), 18.0, 36.0);
    double y = head + 4;
    for (const ProgrammeItem& item : now.items) {
        if (y + row > body.bottom() + 1) break;
        const auto e = desk_.exercise(item);
        putText(p, QRectF(0, y, kName - 8, row), e ? spoken(e->name) : QString::fromStdString(item.exercise),
                Size::Small, c.ink);
        const double line = y + row * 0.34;
        QString before;
        double said = 0;
        const auto segment = [&](const ProgrammeItem& at, std::chrono::sys_days from, std::chrono::sys_days to,
                                 bool dashed) {
            if (to <= from) return;
            QPen pen(dashed ? c.accent : c.ink, 2.5, dashed ? Qt::DashLine : Qt::SolidLine, Qt::FlatCap);
            p.setPen(pen);
            p.drawLine(QPointF(x(from), line), QPointF(x(to), line));
            const auto form = desk_.exercise(at);
            const QString words = form ? targetWords(*form, at.target) : QString();
            if (words == before || row < 26) return;
            if (!before.isEmpty()) { // the dose has changed here
                p.setPen(Qt::NoPen);
                p.setBrush(dashed ? c.accent : c.ink);
                const double at2 = x(from);
                p.drawPolygon(QPolygonF({{at2 - 4, line}, {at2 + 4, line}, {at2, line - 7}}));
            }
            const double where = std::max(said, x(from) + 4);
            said = where + 8 +
                   putText(p, QRectF(where, line + 2, body.width() - where, 16), words, Size::Small,
                           dashed ? c.accent : c.ink2);
            before = words;
        };
        for (size_t g = 0; g < desk_.given().size(); ++g) {
            const Programme& given = desk_.given()[g].programme;
            const auto from = parseDate(given.from);
            const ProgrammeItem* at = given.find(item.exercise);
            if (!from || !at) continue;
            auto to = std::min(endOf(given), desk_.isGiven() ? last : *begins);
            if (g + 1 < desk_.given().size())
                if (const auto next = parseDate(desk_.given()[g + 1].programme.from)) to = std::min(to, *next);
            segment(*at, *from, to, false);
        }
        if (!desk_.isGiven()) segment(item, *begins, last, true);
        y += row;
    }
}

QStringList differencesBetween(const ProgrammeDesk& desk, const Programme& before, const Programme& after) {
    QStringList out;
    const auto name = [&](const ProgrammeItem& item) {
        const auto e = desk.exercise(item);
        return spoken(e ? e->name : item.exercise);
    };
    for (const ProgrammeItem& item : after.items) {
        const ProgrammeItem* was = before.find(item.exercise);
        if (!was)
            out << QObject::tr("new: %1").arg(name(item));
        else if (!(was->target == item.target))
            out << QObject::tr("%1: %2 → %3").arg(name(item), doseWords(desk, *was), doseWords(desk, item));
    }
    for (const ProgrammeItem& item : before.items)
        if (!after.find(item.exercise)) out << QObject::tr("goes: %1").arg(name(item));
    if (before.days != after.days) out << QObject::tr("other days");
    if (before.minutes != after.minutes)
        out << QObject::tr("%1 → %2 minutes a day").arg(before.minutes).arg(after.minutes);
    return out;
}

} // namespace deft::ui

#include "moc_programme_panels.cpp"
