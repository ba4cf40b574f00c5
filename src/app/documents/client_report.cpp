// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/client_report.h"

#include "answer/answer.h"
#include "app/documents/drawing_file.h"
#include "app/paint/client_story.h"
#include "app/paint/strokes.h"
#include "app/paint/weeks.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"

#include <QObject>

namespace deft::ui {
namespace {

constexpr double kReportHead = 72, kSection = 36, kGapBelow = 20, kReading = 56;

} // namespace

Result<void> writeClientReport(const ClientStory& story, const std::string& client, const std::string& role,
                               const std::string& scope, const std::filesystem::path& path) {
    if (story.reviews.empty()) return fail(Errc::Unsupported, "no review of this exercise has been filed yet");
    const OnPaper light;
    const double weeks = 24 + kReading * double(std::max<size_t>(story.weeks.size(), 1)),
                 cues = kCueRow * double(std::max<size_t>(story.cues.size(), 1)),
                 ladder = kLadderRow * double(story.ladder.size());
    const QSize size(kSheetWidth,
                     int(2 * kSheetMargin + kReportHead + 4 * kSection + 3 * kGapBelow + weeks + cues + ladder + 60));
    const QString exercise = spoken(story.exercise.name);
    return writeDrawing(path, size, exercise, [&](QPainter& p) {
        const Palette& c = colours();
        p.fillRect(QRect(QPoint(), size), c.ground);
        const double width = kSheetWidth - 2 * kSheetMargin;
        double y = kSheetMargin;
        const auto section = [&](const QString& title, const QString& aside, double height) {
            drawNotchedRule(p, kSheetMargin, y, width, 12);
            const QRectF head(kSheetMargin, y + 6, width, 26);
            putText(p, head, title, Size::Body, c.ink, QFont::DemiBold);
            putText(p, head, aside, Size::Small, c.ink2, QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
            const QRectF body(kSheetMargin, y + kSection, width, height);
            y = body.bottom() + kGapBelow;
            return body;
        };
        const QRectF head(kSheetMargin, y, width, 28);
        const QString whose = client.empty() ? exercise : QString::fromStdString(client);
        const int used = putText(p, head, whose, Size::Large, c.ink, QFont::DemiBold);
        putText(p, head.adjusted(used + 16, 0, 0, 0), QString::fromStdString(role), Size::Body, c.ink2);
        putText(p, head.translated(0, 24),
                QObject::tr("%1: %2 from %3 to %4. Bands are 95 %.")
                    .arg(exercise, counted(int(story.reviews.size()), QObject::tr("review"), QObject::tr("reviews")),
                         dayAndYear(story.reviews.front().date), dayAndYear(story.reviews.back().date)),
                Size::Body, c.ink);
        putText(p, head.translated(0, 44), QString::fromStdString(scope), Size::Small, c.ink2);
        y += kReportHead;
        drawWeeks(p,
                  section(QObject::tr("Over the weeks"),
                          QObject::tr("filled: the last review; shaded: tolerance; line: a trend beyond the noise"),
                          weeks),
                  story.weeks);
        const QRectF given =
            section(QObject::tr("Cues given"), QObject::tr("solid: it worked; ticks: nothing real came of it"), cues);
        if (story.cues.empty())
            putText(p, given, QObject::tr("None yet for this exercise."), Size::Small, c.ink2);
        else
            drawCues(p, given, story);
        drawLadder(p, section(QObject::tr("Ladder"), {}, ladder), story);
        const FiledReview& last = story.reviews.back();
        QStringList sums;
        for (const Message& m : last.arithmetic) sums << said(m);
        const QRectF decided = section(QObject::tr("Decided, %1").arg(dayAndYear(last.date)), stepWords(last.step), 56);
        putText(p, QRectF(decided.left(), decided.top(), width, 26), targetWords(story.exercise, last.next),
                Size::Large, c.ink, QFont::DemiBold);
        putText(p, QRectF(decided.left(), decided.top() + 28, width, 18), sums.join(QStringLiteral("; ")), Size::Small,
                c.ink2);
    });
}

} // namespace deft::ui
