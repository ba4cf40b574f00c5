#include "app/queue/new_clip_form.h"

#include "app/session/usual_schools.h"
#include "app/theme/palette.h"
#include "base/files.h"
#include "judgement/safety.h"
#include "proposals/body_facts.h"
#include "store/intake.h"
#include "video/clip_reader.h"

#include <QDate>
#include <QFormLayout>

namespace deft::ui {

NewClipForm::NewClipForm(Library& library, QWidget* parent) : QWidget(parent), library_(library) {
    auto* title = new QLabel(tr("A clip of your own"));
    title->setFont(face(Size::Large, QFont::DemiBold));
    facts_ = new QLabel;
    facts_->setWordWrap(true);
    facts_->setFont(face(Size::Small));
    client_ = new QComboBox;
    client_->setEditable(true);
    role_ = new QLineEdit;
    role_->setPlaceholderText(tr("what they do, if you like"));
    intake_ = new IntakeButton;
    exercise_ = new QComboBox;
    side_ = new QComboBox;
    for (const char* side : {"both", "left", "right"}) side_->addItem(tr(side), QString::fromLatin1(side));
    sets_ = new QSpinBox;
    sets_->setRange(1, 20);
    reps_ = new QSpinBox;
    reps_->setRange(1, 100);
    hold_ = new QSpinBox;
    hold_->setRange(0, 300);
    hold_->setSuffix(tr(" s"));
    hold_->setSpecialValueText(tr("none"));
    for (QSpinBox* box : {sets_, reps_, hold_}) box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    pain_ = new QCheckBox(tr("pain was named"));
    felt_ = new QComboBox;
    stop_ = new QComboBox;
    stop_->addItem(tr("nothing of that kind"));
    if (const auto& rules = safetyRules())
        for (const auto* list : {&rules->redFlags, &rules->signs})
            for (const auto& [id, what] : *list)
                stop_->addItem(QString::fromStdString(what), QString::fromStdString(id));
    words_ = new QPlainTextEdit;
    words_->setTabChangesFocus(true);
    words_->setMaximumHeight(64);
    for (const std::string& id : exerciseIds())
        if (const auto e = loadExercise(id))
            exercise_->addItem(QString::fromStdString(e->name), QString::fromStdString(id));
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
    form->setVerticalSpacing(8);
    form->addRow(tr("&Client"), client_);
    form->addRow(tr("&Role"), role_);
    form->addRow(tr("&Intake"), intake_);
    form->addRow(tr("&Exercise"), exercise_);
    form->addRow(QString(), guess_);
    form->addRow(tr("&Side"), side_);
    form->addRow(tr("R&ounds asked"), sets_);
    form->addRow(tr("Re&ps in a round"), reps_);
    form->addRow(tr("&Hold asked"), hold_);
    form->addRow(tr("Client's &words"), words_);
    form->addRow(tr("&Felt in"), felt_);
    form->addRow(QString(), pain_);
    form->addRow(tr("Reason to s&top"), stop_);
    auto* go = new KeyButton(tr("Put it in the queue and open it"), {}, KeyButton::Kind::Primary);
    auto* no = new KeyButton(tr("Leave it"), {}, KeyButton::Kind::Plain);
    connect(go, &KeyButton::clicked, this, &NewClipForm::add);
    connect(no, &KeyButton::clicked, this, &NewClipForm::cancelled);
    connect(client_, &QComboBox::currentTextChanged, this, [this](const QString& name) {
        for (const Client& c : library_.clients())
            if (QString::fromStdString(c.name) == name) {
                role_->setText(QString::fromStdString(c.role));
                intake_->setFlags(c.flags);
            }
    });
    connect(exercise_, &QComboBox::currentIndexChanged, this, [this] {
        if (const auto e = loadExercise(exercise_->currentData().toString().toStdString())) {
            const Target first = firstTarget(*e);
            sets_->setValue(first.sets), reps_->setValue(first.reps.value_or(1));
            hold_->setValue(int(first.hold_s.value_or(0)));
            felt_->clear();
            felt_->addItem(tr("not said"));
            for (const FeltPlace& f : e->felt)
                felt_->addItem(QString::fromStdString(f.name), QString::fromStdString(f.id));
            side_->setEnabled(e->eachSide), side_->setCurrentIndex(e->eachSide ? 1 : 0);
        }
    });
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(12);
    column->addWidget(title);
    column->addWidget(facts_);
    column->addLayout(form);
    column->addWidget(go);
    column->addWidget(no);
    column->addStretch();
}

void NewClipForm::begin(const QString& path, const QString& facts) {
    path_ = path;
    facts_->setText(facts);
    client_->clear();
    for (const Client& c : library_.clients()) client_->addItem(QString::fromStdString(c.name));
    client_->setCurrentIndex(-1);
    client_->setEditText({});
    client_->lineEdit()->setPlaceholderText(tr("name, new or known"));
    role_->clear();
    words_->clear();
    pain_->setChecked(false);
    stop_->setCurrentIndex(0), felt_->setCurrentIndex(0);
    intake_->setFlags({});
    // Most coaches bring in several clips of the same exercise.
    if (const auto last = library_.newestClip())
        exercise_->setCurrentIndex(std::max(0, exercise_->findData(QString::fromStdString(last->draft.exercise))));
    emit exercise_->currentIndexChanged(exercise_->currentIndex());
    client_->setFocus();
    exerciseChosen_ = false;
    guess_->hide();
    guessExercise();
}

/// Looks at the first frame in the background; where nobody can be recognised the form stays as it is.
void NewClipForm::guessExercise() {
    using Guesses = std::vector<std::pair<std::string, double>>;
    look_.run(
        [path = path_.toStdString()](StopToken, const ProgressFn&) -> Guesses {
            auto network = KeypointNetwork::load(KeypointNetwork::usualPlace());
            auto reader = ClipReader::open(path);
            if (!network || !reader) return {};
            const auto picture = reader->bgra(0);
            if (!picture) return {};
            const auto body = findBody(*network, withoutAlpha(*picture));
            if (!body) return {};
            return factsOf({*body}, reader->info().width, reader->info().height, nullptr).guesses;
        },
        [this](const Guesses& guesses) { showGuess(guesses); });
}

void NewClipForm::showGuess(const std::vector<std::pair<std::string, double>>& guesses) {
    constexpr double kFar = 0.6; // torso lengths: nothing like any exercise
    QStringList names;
    for (const auto& [id, distance] : guesses)
        if (const auto e = loadExercise(id); e && distance < kFar && names.size() < 3)
            names << QStringLiteral("<a href=\"%1\">%2</a>")
                         .arg(QString::fromStdString(id), QString::fromStdString(e->name).toHtmlEscaped());
    if (names.isEmpty()) return;
    if (!exerciseChosen_)
        exercise_->setCurrentIndex(exercise_->findData(QString::fromStdString(guesses.front().first)));
    guess_->setText(tr("The first frame looks like: %1. Is it that?").arg(names.join(QStringLiteral(", "))));
    guess_->show();
}

void NewClipForm::add() {
    const QString name = client_->currentText().trimmed();
    if (name.isEmpty()) {
        client_->setFocus();
        emit failed(tr("Whose clip is it? Type a name first; nothing was added."));
        return;
    }
    auto sha = sha256OfFile(path_.toStdString());
    if (!sha) {
        emit failed(QString::fromStdString("Not added: " + sha.error().detail + "."));
        return;
    }
    int64_t client = 0;
    for (const Client& c : library_.clients())
        if (QString::fromStdString(c.name) == name) client = c.id;
    if (client == 0) {
        auto id = library_.addClient(name.toStdString(), role_->text().trimmed().toStdString(), intake_->flags());
        if (!id) {
            emit failed(QString::fromStdString("Not added: " + id.error().detail + "."));
            return;
        }
        client = *id;
    } else if (auto ok = library_.setFlags(client, intake_->flags()); !ok) {
        emit failed(QString::fromStdString("Not added: " + ok.error().detail + "."));
        return;
    }
    ReviewInputs in = newDraft(library_, client, exercise_->currentData().toString().toStdString(), usualSchools());
    in.clipPath = path_.toStdString();
    in.clipSha256 = *sha;
    in.client = name.toStdString();
    in.clientRole = role_->text().trimmed().toStdString();
    in.date = QDate::currentDate().toString(Qt::ISODate).toStdString();
    in.note.words = words_->toPlainText().trimmed().toStdString();
    in.note.pain = pain_->isChecked();
    in.side = side_->currentData().toString().toStdString();
    if (const std::string reason = stop_->currentData().toString().toStdString(); !reason.empty()) {
        const bool isSign = safetyRules() && safetyRules()->signs.count(reason);
        (isSign ? in.note.signs : in.note.redFlags) = {reason};
    }
    if (const std::string place = felt_->currentData().toString().toStdString(); !place.empty()) {
        in.note.felt = {place};
        in.note.shaking = place == "shaking";
    }
    in.asked.sets = sets_->value();
    in.asked.reps = reps_->value() > 1 ? std::optional(reps_->value()) : std::nullopt;
    in.asked.hold_s = hold_->value() > 0 ? std::optional<double>(hold_->value()) : std::nullopt;
    auto clip = library_.addClip(client, in.date, in);
    if (!clip) {
        emit failed(QString::fromStdString("Not added: " + clip.error().detail + "."));
        return;
    }
    emit added(*clip);
}

} // namespace deft::ui
