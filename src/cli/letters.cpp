// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/letters.h"

#include "analysis/analyse.h"
#include "answer/calendar.h"
#include "answer/filming.h"
#include "answer/sheet.h"
#include "app/documents/answer_file.h"
#include "app/documents/bundle.h"
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
#include "review/review_json.h"

#include <QGuiApplication>
#include <clocale>
#include <iostream>
#include <memory>

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

int written(const std::string& out, const Result<std::string>& content) {
    if (!content) return failed(content.error());
    if (auto ok = writeFileAtomically(out, *content); !ok) return failed(ok.error());
    return 0;
}

/// A reply clip, a bundle, the rep sheet: nothing without the film.
bool isOfFilm(const std::string& form) { return form == "mp4" || form == "zip" || form == "sheet"; }

/// What is made from the film of the first review.
int ofFilm(ui::LetterFilms& films, const Answer& letter, const std::string& form, const std::string& out,
           StopToken stop) {
    const Review& review = films.review(0);
    if (form == "zip") {
        std::cerr
            << "deft-mirror: faces are covered, the client's name is in it; pass it on only if the client agreed\n";
        return written(out, ui::reviewBundle(review, films.reader(0), stop));
    }
    const auto ok = form == "mp4" ? ui::writeReplyClip(review, letter, films.reader(0), out, stop)
                                  : ui::writeReviewSheet(review, films.reader(0), out);
    return ok ? 0 : failed(ok.error());
}

} // namespace

int writeAnswer(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const std::string& form,
                const std::string& language, const std::string& out, StopToken stop, int& argc, char** argv) {
    if (auto ok = knowsLanguage(*catalogue, language); !ok) return failed(ok.error());
    std::vector<std::shared_ptr<const Review>> reviews;
    for (const std::string& folder : folders) {
        auto review = readFolder(catalogue, folder);
        if (!review) return failed(review.error());
        if (!reviews.empty() && review->inputs.client != reviews.front()->inputs.client)
            return failed({Errc::Conflict, folder + ": is a review of another client than " + folders.front() +
                                               "; a letter goes to one"});
        if (!language.empty()) review->inputs.language = language;
        reviews.push_back(std::make_shared<const Review>(std::move(*review)));
    }
    auto films = ui::LetterFilms::open(reviews);
    if (!films && films.error().code != Errc::NotFound) return failed(films.error());
    if (!films && !isOfFilm(form))
        std::cerr << "deft-mirror: " << films.error().detail << "; the answer goes without pictures\n";
    const Answer letter = ui::letterOn(reviews);
    if (form == "trc") {
        const Review& r = *reviews.front();
        return written(out, Result<std::string>(toTrc(r.tracks(), r.clip().height, r.series().context.pxPerCm)));
    }
    if (form == "fhir") return written(out, Result<std::string>(toText(fhirBundle(*reviews.front(), true))));
    if (form == "ics") {
        const AnswerPart* next = letter.find("next");
        return written(out, answerCalendar(letter, reviews[size_t(next ? next->of : 0)]->inputs));
    }
    const auto gui = withoutDisplay(argc, argv);
    if (isOfFilm(form)) {
        if (!films) return failed(films.error());
        return ofFilm(*films, letter, form, out, stop);
    }
    return written(out, ui::answerIn(form, letter, {reviews.front()->inputs.coach, {}, {}},
                                     films ? films->pictures() : PictureMaker()));
}

int writeSheet(const Catalogue& catalogue, const std::string& id, const std::string& asked, const SheetReader& of,
               const std::string& form, const std::string& out, int& argc, char** argv) {
    const auto exercise = catalogue.form({id, {}, {}, Schools{}});
    if (!exercise) return failed(exercise.error());
    if (!asked.empty() && exercise->versionIndex(asked) < 0) {
        std::string known;
        for (const Version& r : exercise->ladder) known += (known.empty() ? "" : ", ") + r.id;
        return failed({Errc::NotFound, id + " has no version \"" + asked + "\"; there are " + known});
    }
    const std::string version = asked.empty() ? exercise->startVersion : asked;
    const auto asVersion = catalogue.inVersion(*exercise, version);
    if (!asVersion) return failed(asVersion.error());
    Target target = usualTarget(*asVersion);
    target.version = version;
    if (auto ok = knowsLanguage(catalogue, of.language); !ok) return failed(ok.error());
    for (const auto* flags : {&of.flags, &of.cleared})
        for (const std::string& flag : *flags)
            if (!catalogue.safety().flags.count(flag))
                return failed({Errc::NotFound, "there is no intake flag \"" + flag + "\""});
    const auto sheet = exerciseSheet(catalogue, *exercise, target, of);
    if (!sheet) return failed(sheet.error());
    const auto gui = withoutDisplay(argc, argv);
    return written(out, ui::answerIn(form, sheet->letter, {}, ui::sheetPictures(sheet->exercise)));
}

int writeFilmingPage(const Catalogue& catalogue, const std::vector<std::string>& exercises, const std::string& language,
                     const std::string& form, const std::string& out, int& argc, char** argv) {
    if (auto ok = knowsLanguage(catalogue, language); !ok) return failed(ok.error());
    const auto page = filmingPage(catalogue, exercises, {{}, {}, {}, {}, language});
    if (!page) return failed(page.error());
    const auto gui = withoutDisplay(argc, argv);
    return written(out, ui::answerIn(form, *page, {}, PictureMaker()));
}

} // namespace deft::cli
