// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/bundle.h"

#include "app/documents/answer_picture.h"
#include "app/documents/image_bytes.h"
#include "app/sheet/rep_rows.h"
#include "base/json.h"
#include "base/zip_file.h"
#include "marks/tracks_trc.h"
#include "readings/fhir.h"
#include "review/data_package.h"
#include "review/review_json.h"

namespace deft::ui {
namespace {

constexpr QSize kStill(960, 640); // the rep sheet's shape

} // namespace

Result<std::string> reviewBundle(Review review, ClipReader& reader, StopToken stop, const ProgressFn& progress) {
    static constexpr const char* kNames[kPhases] = {"set-up", "out", "hold", "back", "worst"};
    // What the client has agreed to pass on is this review: no path of the machine, nothing that other clients' clips
    // tell.
    review.inputs.clipPath = std::filesystem::path(review.inputs.clipPath).filename().string();
    review.inputs.cueRecord.clear();
    review.inputs.spoken.reset();
    std::vector<ZipEntry> entries{
        {"review.json", toText(toJson(review))},
        {"marks.json", toText(toJson(review.inputs.marks))},
        {"series.csv", toCsv(review.series())},
        {"tracks.csv", toCsv(review.tracks())},
        {"tracks.trc", toTrc(review.tracks(), review.clip().height, review.series().context.pxPerCm)},
        {"readings.fhir.json", toText(fhirBundle(review, true))},
        {"datapackage.json", toText(dataPackage(review))}};
    const auto rows = repRows(review);
    for (size_t rep = 0; rep < rows.size(); ++rep)
        for (size_t phase = 0; phase < kPhases; ++phase) {
            if (stop.stop_requested()) return fail(Errc::Cancelled, "stopped");
            if (progress) progress({int64_t(rep * kPhases + phase), int64_t(rows.size() * kPhases), "stills"});
            const RepCell& cell = rows[rep].cells[phase];
            const auto frame = reader.bgra(cell.frame);
            if (!frame) continue; // a damaged frame
            AnswerPicture shown;
            shown.frame = cell.frame, shown.measure = cell.measure;
            const auto still = answerPicture(review, toImage(*frame), shown, kStill);
            if (still)
                entries.push_back({"stills/rep-" + std::to_string(rep + 1) + "-" + kNames[phase] + ".jpg",
                                   imageBytes(*still, "JPG", 88).toStdString()});
        }
    return zipOf(entries);
}

} // namespace deft::ui
