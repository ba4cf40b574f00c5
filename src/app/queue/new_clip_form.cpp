// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/queue/new_clip_form.h"

#include "app/session/usual_schools.h"
#include "app/theme/palette.h"
#include "app/theme/words.h"
#include "devices/inbox_folder.h"
#include "judgement/safety.h"
#include "judgement/targets.h"
#include "proposals/body_facts.h"
#include "store/intake.h"
#include "video/clip_reader.h"

#include "app/widgets/link_label.h"

#include <QCompleter>
#include <QDate>
#include <QFormLayout>
#include <QSignalBlocker>
#include <algorithm>
#include <cmath>

namespace deft::ui {

NewClipForm::NewClipForm(Library& library, QWidget* parent) : QWidget(parent), library_(library) {
    title_ = new QLabel(tr("Add a clip"));
    title_->setFont(face(Size::Large, QFont::DemiBold));
    facts_ = new QLabel;
    facts_->setWordWrap(true);
    facts_->setTextFormat(Qt::PlainText);
    title_->setTextFormat(Qt::PlainText);
    facts_->setFont(face(Size::Small));
    client_ = new QComboBox;
    client_->setEditable(true);
    client_->setInsertPolicy(QComboBox::NoInsert);
    client_->completer()->setCompletionMode(QCompleter::PopupCompletion); // nothing is filled in before it is chosen
    whose_ = new LinkLabel;
    whose_->setTextFormat(Qt::RichText);
    whose_->hide();
    connect(whose_, &QLabel::linkActivated, this, [this](const QString& id) {
        whose_->hide();
        keep(id.toLongLong());
    });
    role_ = new QLineEdit;
    role_->setPlaceholderText(tr("what they do, if you like"));
    intake_ = new IntakeButton(library.catalogue()->safety());
    exercise_ = new QComboBox;
    version_ = new QComboBox;
    side_ = new QComboBox;
    side_->addItem(tr("as filmed"), QStringLiteral("both"));
    for (const char* side : {"left", "right"}) side_->addItem(tr(side), QString::fromLatin1(side));
    sets_ = new QSpinBox;
    sets_->setRange(1, 20);
    reps_ = new QSpinBox;
    reps_->setRange(1, 100);
    hold_ = new QSpinBox;
    hold_->setRange(0, 300);
    hold_->setSuffix(tr(" s"));
    hold_->setSpecialValueText(tr("none"));
    for (QSpinBox* box : {sets_, reps_, hold_}) box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    from_ = new QDoubleSpinBox;
    to_ = new QDoubleSpinBox;
    for (QDoubleSpinBox* box : {from_, to_}) {
        box->setDecimals(1);
        box->setSuffix(tr(" s"));
        box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    }
    from_->setAccessibleName(tr("Part of the film: from"));
    to_->setAccessibleName(tr("Part of the film: to"));
    auto* partRow = new QHBoxLayout;
    partRow->addWidget(from_, 1);
    partRow->addWidget(new QLabel(tr("to")));
    partRow->addWidget(to_, 1);
    pain_ = new QCheckBox(tr("pain was named"));
    felt_ = new QComboBox;
    stop_ = new QComboBox;
    stop_->addItem(tr("nothing of that kind"));
    const CataloguePtr catalogue = library.catalogue();
    for (const auto* list : {&catalogue->safety().redFlags, &catalogue->safety().signs})
        for (const auto& [id, what] : *list) stop_->addItem(spoken(what), QString::fromStdString(id));
    words_ = new QPlainTextEdit;
    words_->setTabChangesFocus(true);
    words_->setMaximumHeight(64);
    for (const std::string& id : catalogue->exerciseIds())
        if (const auto e = catalogue->exercise(id)) exercise_->addItem(spoken(e->name), QString::fromStdString(id));
    guess_ = new QLabel;
    guess_->setWordWrap(true);
    guess_->setFont(face(Size::Small));
    guess_->hide();
    connect(guess_, &QLabel::linkActivated, this, [this](const QString& id) {
        exerciseChosen_ = true;
        exercise_->setCurrentIndex(exercise_->findData(id));
    });
    connect(exercise_, &QComboBox::activated, this, [this] { exerciseChosen_ = true; });
    auto* form = new QFormLayout;
    form->setLabelAlignment(Qt::AlignLeft);
    form->setVerticalSpacing(6);
    form->addRow(tr("&Client"), client_);
    form->addRow(QString(), whose_);
    form->addRow(tr("&Role"), role_);
    form->addRow(tr("&Intake"), intake_);
    form->addRow(tr("&Exercise"), exercise_);
    form->addRow(QString(), guess_);
    form->addRow(tr("&Version"), version_);
    form->addRow(tr("&Side"), side_);
    form->addRow(tr("Part of the film"), partRow);
    auto* rounds = new QHBoxLayout;
    rounds->addWidget(sets_, 1);
    rounds->addWidget(new QLabel(tr("of")));
    rounds->addWidget(reps_, 1);
    reps_->setAccessibleName(tr("Repetitions in a round"));
    reps_->setSuffix(tr(" reps"));
    auto* roundsLabel = new QLabel(tr("R&ounds asked"));
    roundsLabel->setBuddy(sets_);
    form->addRow(roundsLabel, rounds);
    form->addRow(tr("&Hold asked"), hold_);
    form->addRow(tr("Client's &words"), words_);
    form->addRow(tr("&Felt in"), felt_);
    form->addRow(QString(), pain_);
    form->addRow(tr("Reason to s&top"), stop_);
    go_ = new KeyButton({}, {}, KeyButton::Kind::Primary);
    auto* no = new KeyButton(tr("Cancel"), {}, KeyButton::Kind::Plain);
    connect(go_, &KeyButton::clicked, this, &NewClipForm::add);
    connect(no, &KeyButton::clicked, this, &NewClipForm::cancelled);
    // What is known of a person is filled in when that person is chosen, and goes when another name is typed.
    connect(client_, &QComboBox::activated, this, [this](int row) { choose(client_->itemData(row).toLongLong()); });
    connect(client_->lineEdit(), &QLineEdit::textEdited, this, [this] {
        whose_->hide();
        if (chosen_ != 0) choose(0);
    });
    connect(exercise_, &QComboBox::currentIndexChanged, this, &NewClipForm::showExercise);
    connect(version_, &QComboBox::currentIndexChanged, this, &NewClipForm::showAsked);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(12);
    column->addWidget(title_);
    column->addWidget(facts_);
    column->addLayout(form);
    column->addWidget(go_);
    column->addWidget(no);
    column->addStretch();
}

void NewClipForm::showExercise() {
    const auto e = library_.catalogue()->exercise(exercise_->currentData().toString().toStdString());
    if (!e) return;
    const QSignalBlocker quiet(version_);
    version_->clear();
    for (const Version& version : e->ladder)
        version_->addItem(spoken(version.name), QString::fromStdString(version.id));
    // What was decided last for this client was asked for.
    const auto earlier = chosen_ ? library_.filed(chosen_, e->id) : decltype(library_.filed(chosen_, e->id)){};
    const std::string version = earlier.empty() ? e->startVersion : earlier.back().past.target.version;
    version_->setCurrentIndex(std::max(0, version_->findData(QString::fromStdString(version))));
    felt_->clear();
    felt_->addItem(tr("not said"));
    for (const FeltPlace& f : e->felt) felt_->addItem(spoken(f.name), QString::fromStdString(f.id));
    showAsked();
    if (earlier.empty()) return;
    const Target& asked = earlier.back().past.target;
    sets_->setValue(asked.sets), reps_->setValue(asked.reps.value_or(1));
    hold_->setValue(int(asked.hold_s.value_or(0)));
}

void NewClipForm::showAsked() {
    const auto e = library_.catalogue()->form(
        {exercise_->currentData().toString().toStdString(), version_->currentData().toString().toStdString()});
    if (!e) return;
    const Target usual = usualTarget(*e);
    sets_->setValue(usual.sets), reps_->setValue(usual.reps.value_or(1));
    hold_->setValue(int(usual.hold_s.value_or(0)));
    side_->setEnabled(e->eachSide), side_->setCurrentIndex(0);
}

void NewClipForm::choose(int64_t client) {
    chosen_ = client;
    const auto known = client ? library_.client(client) : std::nullopt;
    role_->setText(known ? QString::fromStdString(known->role) : QString());
    intake_->setKnown(known ? known->flags : std::vector<std::string>{});
    showExercise();
}

void NewClipForm::showClients() {
    client_->clear();
    for (const Client& c : library_.clients()) client_->addItem(QString::fromStdString(c.name), qlonglong(c.id));
    client_->setCurrentIndex(-1);
    client_->setEditText({});
    client_->lineEdit()->setPlaceholderText(tr("name, new or known"));
}

void NewClipForm::clear() {
    showClients();
    choose(0);
    whose_->hide();
    words_->clear();
    pain_->setChecked(false);
    stop_->setCurrentIndex(0), felt_->setCurrentIndex(0);
    exerciseChosen_ = false;
    guess_->hide();
    look_.stop();
}

void NewClipForm::begin(const QString& path, const QString& facts) {
    clip_ = 0;
    path_ = path;
    received_.clear();
    showPart({});
    title_->setText(tr("Add a clip"));
    go_->setText(tr("Add and open"));
    facts_->setText(facts);
    clear();
    // Most coaches bring in several clips of the same exercise.
    if (const auto last = library_.newestClip())
        exercise_->setCurrentIndex(std::max(0, exercise_->findData(QString::fromStdString(last->draft.exercise))));
    emit exercise_->currentIndexChanged(exercise_->currentIndex());
    client_->setFocus();
    guessExercise();
}

void NewClipForm::beginPart(const Clip& of, const FilmPart& part) {
    clip_ = 0;
    received_ = of.received;
    path_ = QString::fromStdString(of.draft.clipPath);
    title_->setText(tr("A part of the film as a clip"));
    go_->setText(tr("Add and open"));
    facts_->setText(tr("The film is kept once. Each of its parts is marked and reviewed by itself; one letter answers "
                       "them all. To shorten the first clip, correct it in the queue."));
    showKnown(of);
    showPart(part);
    exercise_->setFocus();
}

void NewClipForm::showPart(const std::optional<FilmPart>& part) {
    const auto film = ClipReader::open(path_.toStdString());
    const double end_s = film ? film->info().time_s.back() : 0;
    for (QDoubleSpinBox* box : {from_, to_}) box->setRange(0, std::ceil(10 * end_s) / 10);
    from_->setValue(part ? part->from_s : 0);
    to_->setValue(part ? part->to_s : to_->maximum());
}

std::optional<FilmPart> NewClipForm::part() const {
    if (from_->value() <= 0 && to_->value() >= to_->maximum()) return std::nullopt;
    return FilmPart{from_->value(), to_->value()};
}

void NewClipForm::correct(const Clip& clip) {
    const ReviewInputs& in = clip.draft;
    clip_ = clip.id;
    path_ = QString::fromStdString(in.clipPath);
    title_->setText(tr("What is known of this clip"));
    go_->setText(tr("Save the correction"));
    facts_->setText(tr("Marks that are set stay. With another exercise the schools are chosen anew."));
    showKnown(clip);
    showPart(in.part);
    client_->setFocus();
}

void NewClipForm::showKnown(const Clip& clip) {
    const ReviewInputs& in = clip.draft;
    clear();
    client_->setCurrentIndex(client_->findData(qlonglong(clip.client)));
    choose(clip.client);
    exercise_->setCurrentIndex(exercise_->findData(QString::fromStdString(in.exercise)));
    emit exercise_->currentIndexChanged(exercise_->currentIndex());
    exerciseChosen_ = true;
    if (const int at = version_->findData(QString::fromStdString(in.asked.version)); at >= 0)
        version_->setCurrentIndex(at);
    side_->setCurrentIndex(std::max(0, side_->findData(QString::fromStdString(in.side))));
    sets_->setValue(in.asked.sets), reps_->setValue(in.asked.reps.value_or(1));
    hold_->setValue(int(in.asked.hold_s.value_or(0)));
    words_->setPlainText(QString::fromStdString(in.note.words));
    pain_->setChecked(in.note.pain);
    if (!in.note.felt.empty())
        felt_->setCurrentIndex(std::max(0, felt_->findData(QString::fromStdString(in.note.felt.front()))));
    for (const auto* reasons : {&in.note.redFlags, &in.note.signs})
        if (!reasons->empty())
            stop_->setCurrentIndex(std::max(0, stop_->findData(QString::fromStdString(reasons->front()))));
}

/// Looks at the first frame in the background; where nobody can be recognised the form stays as it is.
void NewClipForm::guessExercise() {
    using Guesses = std::vector<std::pair<std::string, double>>;
    look_.run(
        [path = path_.toStdString(), catalogue = library_.catalogue()](StopToken, const ProgressFn&) -> Guesses {
            auto network = KeypointNetwork::load(KeypointNetwork::usualPlace());
            auto reader = ClipReader::open(path);
            if (!network || !reader) return {};
            const auto picture = reader->bgra(0);
            if (!picture) return {};
            const auto body = findBody(*network, withoutAlpha(*picture));
            if (!body) return {};
            return factsOf(*catalogue, {*body}, reader->info().width, reader->info().height, nullptr).guesses;
        },
        [this](const Guesses& guesses) { showGuess(guesses); });
}

void NewClipForm::showGuess(const std::vector<std::pair<std::string, double>>& guesses) {
    constexpr double kFar = 0.6; // torso lengths: nothing like any exercise
    QStringList names;
    for (const auto& [id, distance] : guesses)
        if (const auto e = library_.catalogue()->exercise(id); e && distance < kFar && names.size() < 3)
            names << QStringLiteral("<a href=\"%1\">%2</a>")
                         .arg(QString::fromStdString(id), spoken(e->name).toHtmlEscaped());
    if (names.isEmpty()) return;
    if (!exerciseChosen_)
        exercise_->setCurrentIndex(exercise_->findData(QString::fromStdString(guesses.front().first)));
    guess_->setText(tr("The first frame looks like: %1. Is it that?").arg(names.join(QStringLiteral(", "))));
    guess_->show();
}

void NewClipForm::add() {
    const QString name = client_->currentText().simplified();
    if (name.isEmpty()) {
        client_->setFocus();
        emit failed(tr("Enter the client's name first; nothing was added."));
        return;
    }
    if (from_->value() >= to_->value()) {
        from_->setFocus();
        emit failed(tr("The part of the film ends before it begins; nothing was added."));
        return;
    }
    if (chosen_ != 0) return keep(chosen_);
    const auto alike = library_.clientsLike(name.toStdString());
    if (alike.empty()) return keep(0);
    QString ask = tr("There is somebody of that name. Is it ");
    for (const Client& c : alike)
        ask += tr("<a href=\"%1\">%2</a>, or ")
                   .arg(c.id)
                   .arg(QString::fromStdString(c.role.empty() ? c.name : c.name + ", " + c.role).toHtmlEscaped());
    whose_->setText(ask + tr("<a href=\"0\">somebody else</a>?"));
    whose_->show();
    emit failed(tr("Somebody of that name is on record already: choose whether it is the same person."));
}

void NewClipForm::keep(int64_t client) {
    if (clip_ != 0) return finish(client, {}, {});
    go_->setEnabled(false);
    // Into the library like every other clip, so that a copied library has it and erasing reaches it.
    copy_.run([path = path_.toStdString(), home = library_.folder() / "clips"](
                  StopToken stop, const ProgressFn& progress) { return keepFilm(path, {}, home, stop, progress); },
              [this, client](const Result<KeptClip>& kept) {
                  go_->setEnabled(true);
                  if (kept)
                      finish(client, kept->path, kept->sha256);
                  else
                      emit failed(tr("Not added: %1.").arg(said(kept.error())));
              });
}

ReviewInputs NewClipForm::filledIn(ReviewInputs in) const {
    in.note.words = words_->toPlainText().trimmed().toStdString();
    in.note.pain = pain_->isChecked();
    in.note.signs.clear(), in.note.redFlags.clear(), in.note.felt.clear();
    in.note.shaking = false;
    in.side = side_->currentData().toString().toStdString();
    in = ofPart(std::move(in), part());
    if (const std::string reason = stop_->currentData().toString().toStdString(); !reason.empty()) {
        const bool isSign = library_.catalogue()->safety().signs.count(reason) > 0;
        (isSign ? in.note.signs : in.note.redFlags) = {reason};
    }
    if (const std::string place = felt_->currentData().toString().toStdString(); !place.empty()) {
        in.note.felt = {place};
        in.note.shaking = place == "shaking";
    }
    in.asked.version = version_->currentData().toString().toStdString();
    in.asked.sets = sets_->value();
    in.asked.reps = reps_->value() > 1 ? std::optional(reps_->value()) : std::nullopt;
    in.asked.hold_s = hold_->value() > 0 ? std::optional<double>(hold_->value()) : std::nullopt;
    return in;
}

void NewClipForm::finish(int64_t client, const std::filesystem::path& file, const std::string& sha256) {
    const auto refused = [this](const Error& e) {
        emit failed((clip_ ? tr("Not corrected: %1.") : tr("Not added: %1.")).arg(said(e)));
    };
    const std::string exercise = exercise_->currentData().toString().toStdString();
    Arrival a;
    a.client = client, a.name = client_->currentText().toStdString(), a.role = role_->text().trimmed().toStdString();
    a.exercise = exercise, a.flags = intake_->flags();
    a.fill = [this](ReviewInputs& in) { in = filledIn(std::move(in)); };
    if (clip_ != 0) {
        if (auto ok = deft::correct(library_, clip_, a, usualSchools()); !ok) return refused(ok.error());
        emit corrected(clip_);
        return;
    }
    a.clip = file, a.sha256 = sha256;
    a.received = received_.empty() ? QDate::currentDate().toString(Qt::ISODate).toStdString() : received_;
    const auto clip = takeIn(library_, a, usualSchools());
    if (!clip) return refused(clip.error());
    emit added(*clip);
}

} // namespace deft::ui

#include "moc_new_clip_form.cpp"
