// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/review_sheet.h"
#include "app/theme/words.h"

#include "answer/answer.h"
#include "app/documents/answer_picture.h"
#include "app/documents/drawing_file.h"
#include "app/paint/body_overlay.h"
#include "app/paint/give_way.h"
#include "app/paint/rep_sheet.h"
#include "app/paint/strokes.h"
#include "app/paint/threads.h"

#include <QObject>

namespace deft::ui {
namespace {

constexpr int kSheetHead = 64, kPlots = 260, kPlotHead = 36, kGiveWay = 380;

void title(QPainter& p, const QRectF& box, const QString& words, const QString& aside) {
    drawNotchedRule(p, box.left(), box.top(), box.width(), 12);
    const QRectF line(box.left(), box.top() + 6, box.width(), 26);
    const int used = putText(p, line, words, Size::Body, colours().ink, QFont::DemiBold);
    putText(p, line.adjusted(used + 8, 0, 0, 0), aside, Size::Small, colours().ink2, QFont::Normal,
            Qt::AlignRight | Qt::AlignVCenter);
}

} // namespace

Result<void> writeReviewSheet(const Review& review, ClipReader& reader, const std::filesystem::path& path) {
    if (review.events.reps.empty()) return fail(Errc::Unsupported, "no rep and no hold was found in this clip");
    const OnPaper light;
    const auto rows = repRows(review);
    const auto moments = momentsOf(review);
    const QRectF crop = bodyCrop(review, RepSheetLook::kShape, false);
    std::map<int64_t, QImage> pictures;
    for (const RepRow& row : rows)
        for (const RepCell& cell : row.cells)
            if (const auto frame = reader.bgra(cell.frame)) {
                const auto covered = withoutFaces(review, toImage(*frame), cell.frame);
                if (covered) pictures[cell.frame] = covered->copy(crop.toAlignedRect());
            }
    RepSheetLook sheet{rows, moments, pictures, crop};
    sheet.width = kSheetWidth - 2 * kSheetMargin;
    const double plots = kSheetMargin + kSheetHead + sheet.height() + 8;
    const QSize size(kSheetWidth, int(plots) + kPlots + kSheetMargin);
    const QString exercise = spoken(review.exercise.name);
    return writeDrawing(path, size, exercise, [&](QPainter& p) {
        const Palette& c = colours();
        p.fillRect(QRect(QPoint(), size), c.ground);
        const double right = kSheetWidth - kSheetMargin;
        const QRectF head(kSheetMargin, kSheetMargin, right - kSheetMargin, 28);
        const int used =
            putText(p, head, QString::fromStdString(review.inputs.client), Size::Large, c.ink, QFont::DemiBold);
        putText(p, head.adjusted(used + 16, 0, 0, 0),
                QObject::tr("%1, %2. Bands are 95 %.").arg(exercise, QString::fromStdString(review.inputs.date)),
                Size::Body, c.ink);
        putText(p, head.translated(0, 26),
                QString::fromStdString(scopeNote(*review.catalogue->language(coachLanguage()))), Size::Small, c.ink2);
        p.save();
        p.translate(kSheetMargin, kSheetMargin + kSheetHead);
        drawRepHead(p, sheet, review.exercise);
        for (int rep = 0; rep < int(rows.size()); ++rep) drawRepRow(p, sheet, review, rep);
        p.restore();
        const QRectF left(kSheetMargin, plots, kGiveWay, kPlots),
            rest(kSheetMargin + kGiveWay + 16, plots, right - kSheetMargin - kGiveWay - 16, kPlots);
        title(p, left, QObject::tr("Give-way"), giveWayWords(review.exercise));
        drawGiveWay(p, left.adjusted(0, kPlotHead, 0, 0), review, -1);
        title(p, rest, QObject::tr("Time plots"), {});
        drawThreads(p, rest.adjusted(0, kPlotHead, 0, 0), review.clip(), &review, {moments, -1, {}});
    });
}

} // namespace deft::ui
