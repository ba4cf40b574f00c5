// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/letters.h"

#include "analysis/analyse.h"
#include "answer/calendar.h"
#include "answer/filming.h"
#include "answer/sheet.h"
#include "app/documents/answer_file.h"
#include "app/documents/bundle.h"
#include "app/documents/client_report.h"
#include "app/documents/letter_films.h"
#include "app/documents/reply_clip.h"
#include "app/documents/review_sheet.h"
#include "app/documents/sketch_picture.h"
#include "app/theme/palette.h"
#include "base/files.h"
#include "base/json.h"
#include "cli/knowledge.h"
#include "judgement/safety.h"
#include "judgement/targets.h"
#include "marks/tracks_trc.h"
#include "readings/fhir.h"

#include <QGuiApplication>
#include <algorithm>
#include <clocale>
#include <iostream>

namespace deft::cli {
namespace {

/// Pictures and pages carry text, so the typeface is needed, but no display.
std::unique_ptr<QGuiApplication> withoutDisplay(int& argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    // Standard error is for what could not be done, not for what Qt misses without a desktop.
    qInstallMessageHandler([](QtMsgType type, const QMessageLogContext&, const QString& said) {
        if (type == QtFatalMsg || type == QtCriticalMsg) std::cerr << said.toStdString() << "\n";
    });
    auto gui = std::make_unique<QGuiApplication>(argc, argv);
    std::setlocale(LC_NUMERIC, "C"); // Qt has taken the user's
    ui::loadTypeface();
    return gui;
}

int written(const Options& o, const Result<std::string>& content) {
    if (!content) return o.console().failed(content.error());
    if (auto ok = writeFileAtomically(o.out, *content); !ok) return o.console().failed(ok.error());
    return o.console().done({o.out});
}

/// A reply clip, a bundle, the rep sheet: nothing without the film.
bool isOfFilm(const std::string& form) { return form == "mp4" || form == "zip" || form == "sheet"; }

/// What is made from the film of the first review.
int ofFilm(ui::LetterFilms& films, const Answer& letter, const Options& o, StopToken stop) {
    const Review& review = films.review(0);
    if (o.format == "zip") {
        std::cerr
            << "deft-mirror: faces are covered, the client's name is in it; pass it on only if the client agreed\n";
        return written(o, ui::reviewBundle(review, films.reader(0), stop));
    }
    const auto ok = o.format == "mp4" ? ui::writeReplyClip(review, letter, films.reader(0), o.out, stop)
                                      : ui::writeReviewSheet(review, films.reader(0), o.out);
    return ok ? o.console().done({o.out}) : o.console().failed(ok.error());
}

} // namespace

Result<std::vector<std::shared_ptr<const Review>>>
reviewsIn(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const std::string& language) {
    std::vector<std::shared_ptr<const Review>> reviews;
    for (const std::string& folder : folders) {
        auto review = readFolder(catalogue, folder);
        if (!review) return tl::unexpected(review.error());
        if (!reviews.empty() && review->inputs.client != reviews.front()->inputs.client)
            return fail(Errc::Conflict, {"{folder}: is a review of another client than {first}; name one client's",
                                         {{"folder", folder}, {"first", folders.front()}}});
        if (!language.empty()) review->inputs.language = language;
        reviews.push_back(std::make_shared<const Review>(std::move(*review)));
    }
    return reviews;
}

int writeAnswer(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const Options& o,
                StopToken stop, int& argc, char** argv) {
    const Console console = o.console();
    const std::string& form = o.format;
    if (auto ok = knowsLanguage(*catalogue, o.language); !ok) return console.failed(ok.error());
    const auto found = reviewsIn(catalogue, folders, o.language);
    if (!found) return console.failed(found.error());
    const auto& reviews = *found;
    auto films = ui::LetterFilms::open(reviews);
    if (!films && films.error().code != Errc::NotFound) return console.failed(films.error());
    if (!films && !isOfFilm(form))
        std::cerr << "deft-mirror: " << films.error().detail() << "; the answer goes without pictures\n";
    const Answer letter = ui::letterOn(reviews);
    if (form == "trc") {
        const Review& r = *reviews.front();
        return written(o, Result<std::string>(toTrc(r.tracks(), r.clip().height, r.series().context.pxPerCm)));
    }
    if (form == "fhir") return written(o, Result<std::string>(toText(fhirBundle(*reviews.front(), true))));
    if (form == "ics") {
        const AnswerPart* next = letter.find("next");
        return written(o, answerCalendar(letter, reviews[size_t(next ? next->of : 0)]->inputs));
    }
    const auto gui = withoutDisplay(argc, argv);
    if (isOfFilm(form)) {
        if (!films) return console.failed(films.error());
        return ofFilm(*films, letter, o, stop);
    }
    return written(o, ui::answerIn(form, letter, {reviews.front()->inputs.coach, {}, {}},
                                   films ? films->pictures() : PictureMaker()));
}

int writeReport(const CataloguePtr& catalogue, const Options& o, int& argc, char** argv) {
    const Console console = o.console();
    auto reviews = reviewsIn(catalogue, o.folders);
    if (!reviews) return console.failed(reviews.error());
    std::vector<FiledReview> filed;
    for (size_t i = 0; i < reviews->size(); ++i) {
        const Review& r = *(*reviews)[i];
        if (r.inputs.exercise != reviews->front()->inputs.exercise)
            return console.failed({Errc::Conflict, o.folders[i] + ": is a review of another exercise than " +
                                                       o.folders.front() + "; a report is about one"});
        if (reviews->size() > 1 && r.inputs.date.empty())
            return console.failed({Errc::BadFormat, o.folders[i] + ": has no date, so nobody knows where it stands "
                                                                   "among the others; `analyse --date` tells it"});
        filed.push_back(asFiled(r));
    }
    std::stable_sort(filed.begin(), filed.end(), [](const auto& a, const auto& b) { return a.date < b.date; });
    const ReviewInputs& last = reviews->back()->inputs;
    const ClientStory story =
        tellStory(*catalogue, reviews->back()->exercise, std::move(filed), last.flags, last.cleared);
    const auto gui = withoutDisplay(argc, argv);
    const auto ok = ui::writeClientReport(story, last.client, {}, scopeNote(*catalogue->language("en")), o.out);
    return ok ? console.done({o.out}) : console.failed(ok.error());
}

int writeSheet(const Catalogue& catalogue, const Options& o, int& argc, char** argv) {
    const Console console = o.console();
    const auto exercise = catalogue.form({o.name, {}, {}, Schools{}});
    if (!exercise) return console.failed(exercise.error());
    if (!o.version.empty() && exercise->versionIndex(o.version) < 0) {
        std::string known;
        for (const Version& r : exercise->ladder) known += (known.empty() ? "" : ", ") + r.id;
        return console.failed({Errc::NotFound, o.name + " has no version \"" + o.version + "\"; there are " + known});
    }
    const std::string version = o.version.empty() ? exercise->startVersion : o.version;
    const auto asVersion = catalogue.inVersion(*exercise, version);
    if (!asVersion) return console.failed(asVersion.error());
    Target target = usualTarget(*asVersion);
    target.version = version;
    if (auto ok = knowsLanguage(catalogue, o.language); !ok) return console.failed(ok.error());
    for (const auto* flags : {&o.flags, &o.cleared})
        for (const std::string& flag : *flags)
            if (!catalogue.safety().flags.count(flag))
                return console.failed({Errc::NotFound, "there is no intake flag \"" + flag + "\""});
    const auto sheet = exerciseSheet(catalogue, *exercise, target, {{}, {}, o.flags, o.cleared, o.language});
    if (!sheet) return console.failed(sheet.error());
    const auto gui = withoutDisplay(argc, argv);
    return written(o, ui::answerIn(o.format, sheet->letter, {}, ui::sheetPictures(sheet->exercise)));
}

int writeFilmingPage(const Catalogue& catalogue, const Options& o, int& argc, char** argv) {
    const Console console = o.console();
    if (auto ok = knowsLanguage(catalogue, o.language); !ok) return console.failed(ok.error());
    const auto page = filmingPage(catalogue, o.names, {{}, {}, {}, {}, o.language});
    if (!page) return console.failed(page.error());
    const auto gui = withoutDisplay(argc, argv);
    return written(o, ui::answerIn(o.format, *page, {}, PictureMaker()));
}

} // namespace deft::cli
