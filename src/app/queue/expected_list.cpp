// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/queue/expected_list.h"

#include "app/theme/words.h"

#include <QDate>

namespace deft::ui {
namespace {

constexpr size_t kShown = 3;

QString dueWords(const std::string& due, const std::string& today) {
    const auto day = [](const std::string& iso) { return QDate::fromString(QString::fromStdString(iso), Qt::ISODate); };
    const auto late = int(day(due).daysTo(day(today)));
    if (late > 0)
        return QObject::tr("due %1, %2 ago").arg(dayWords(due), counted(late, QObject::tr("day"), QObject::tr("days")));
    return late == 0 ? QObject::tr("due today") : QObject::tr("due %1").arg(dayWords(due));
}

} // namespace

ExpectedList::ExpectedList(const Library& library, QWidget* parent) : LinkLabel(parent), library_(library) {
    setTextFormat(Qt::RichText);
    setAccessibleName(tr("Clips that are expected"));
    hide();
    connect(this, &QLabel::linkActivated, this, [this](const QString& link) {
        const qint64 review = link.section(QLatin1Char(' '), 1).toLongLong();
        if (link.startsWith(QLatin1String("remind")))
            emit remind(review);
        else
            emit expectNoMore(review);
    });
}

void ExpectedList::show(const std::vector<ExpectedClip>& expected, const std::string& today) {
    QString html = tr("<p style='margin:0 0 2px 0'><b>Expected</b></p>");
    for (size_t i = 0; i < std::min(kShown, expected.size()); ++i) {
        const ExpectedClip& e = expected[i];
        const auto exercise = library_.catalogue()->exercise(e.exercise);
        if (e.review == 0) {
            html += tr("<p style='margin:0 0 2px 0'>%1, %2: %3, as the programme asks</p>")
                        .arg(QString::fromStdString(e.name).toHtmlEscaped(),
                             spoken(exercise ? exercise->name : e.exercise).toHtmlEscaped(), dueWords(e.due, today));
            continue;
        }
        html += tr("<p style='margin:0 0 2px 0'>%1, %2: %3. <a href=\"remind %4\">Draft a reminder</a> &nbsp; <a "
                   "href=\"waive %4\">Stop waiting for it</a></p>")
                    .arg(QString::fromStdString(e.name).toHtmlEscaped(),
                         spoken(exercise ? exercise->name : e.exercise).toHtmlEscaped(), dueWords(e.due, today))
                    .arg(e.review);
    }
    if (expected.size() > kShown) html += tr("<p style='margin:0'>and %1 more</p>").arg(expected.size() - kShown);
    setText(html);
    setVisible(!expected.empty());
}

} // namespace deft::ui

#include "moc_expected_list.cpp"
