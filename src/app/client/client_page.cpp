// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/client/client_page.h"

#include "app/client/client_panels.h"
#include "app/theme/consent_words.h"
#include "app/theme/words.h"
#include "app/widgets/facts_panel.h"
#include "app/widgets/page_stack.h"
#include "app/widgets/weeks_panel.h"
#include "base/dates.h"
#include "judgement/safety.h"

#include <QDate>
#include <QHBoxLayout>
#include <QScrollArea>
#include <algorithm>
#include <set>

namespace deft::ui {
namespace {

QString text(const std::string& s) { return spoken(s); }

QString flagsWords(const SafetyRules& rules, const std::vector<std::string>& flags) {
    QStringList names;
    for (const std::string& id : flags) names << text(rules.flags.count(id) ? rules.flags.at(id).name : id);
    return names.isEmpty() ? QObject::tr("none") : names.join(QStringLiteral(", "));
}

/// Where the client felt the exercise, the last time it was said.
QString feltWords(const Catalogue& catalogue, const ClientRecord& record) {
    const Clip* said = nullptr;
    for (const Clip& c : record.clips())
        if (c.draft.exercise == record.exercise() && !c.draft.note.felt.empty() && (!said || c.id > said->id))
            said = &c;
    if (!said) return QObject::tr("not said");
    QStringList places;
    const auto e = catalogue.exercise(said->draft.exercise);
    for (const std::string& id : said->draft.note.felt) {
        const FeltPlace* place = e ? e->feltPlace(id) : nullptr;
        places << text(place ? place->name : id);
    }
    return QObject::tr("%1 (%2)").arg(places.join(QStringLiteral(", ")), dayWords(said->received));
}

/// How many days of each of the last weeks were kept, as far as they have come home.
QString practiceWords(const Library& library, int64_t client, std::chrono::sys_days today) {
    QStringList weeks;
    const auto days = library.practised(client);
    for (const GivenProgramme& given : library.programmes(client))
        if (const auto from = parseDate(given.programme.from))
            for (const WeekDone& w : weeksDone(given.programme, days, today))
                if (w.asked || w.done)
                    weeks << QObject::tr("%1: %2 of %3")
                                 .arg(dayWords(isoDate(*from + std::chrono::days(7 * w.week))))
                                 .arg(w.done)
                                 .arg(w.asked);
    constexpr int kShown = 3;
    if (weeks.isEmpty()) return QObject::tr("no programme yet");
    return weeks.mid(std::max(0, int(weeks.size()) - kShown)).join(QStringLiteral("; "));
}

/// Days on which pain was told at home, the last first.
QString painAtHome(const Library& library, int64_t client) {
    QStringList days;
    for (const PractisedDay& d : library.practised(client))
        if (d.isAlarming())
            days.prepend(d.where.empty() ? dayWords(d.day)
                                         : QObject::tr("%1 (%2)").arg(dayWords(d.day), text(d.where)));
    return days.join(QStringLiteral(", "));
}

/// Days on which pain was told, with a clip or from home.
std::vector<std::string> daysOfPain(const Library& library, const ClientRecord& record) {
    std::set<std::string> days;
    for (const Clip& clip : record.clips())
        if (clip.draft.note.pain) days.insert(clip.received);
    for (const PractisedDay& d : library.practised(record.client().id))
        if (d.isAlarming()) days.insert(d.day);
    return {days.begin(), days.end()};
}

/// Schools of the chosen exercise that are not its usual ones.
QString schoolsWords(const Catalogue& catalogue, const ClientRecord& record) {
    const Clip* newest = record.newestClip();
    const auto e = newest ? catalogue.exercise(newest->draft.exercise) : Result<Exercise>(fail(Errc::NotFound, ""));
    if (!e) return {};
    QStringList names;
    const Schools usual = e->schoolsFor({});
    for (const auto& [question, choice] : e->schoolsFor(newest->draft.schools))
        if (const SchoolQuestion* q = catalogue.schools().find(question); q && usual.at(question) != choice)
            for (const SchoolChoice& c : q->choices)
                if (c.id == choice) names << text(c.name);
    return names.isEmpty() ? QObject::tr("as usual") : names.join(QStringLiteral("; "));
}

QVBoxLayout* columnIn(QWidget* widget) {
    auto* column = new QVBoxLayout(widget);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(16);
    return column;
}

QHBoxLayout* inARow(std::initializer_list<QWidget*> widgets) {
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    for (QWidget* w : widgets) row->addWidget(w);
    return row;
}

} // namespace

ClientPage::ClientPage(Library& library, QWidget* parent) : Page(tr("Client"), parent), library_(library), record_(library) {
    weeks_ = new WeeksPanel(tr("the last review"));
    form_ = new ClientForm(record_);
    erase_ = new EraseForm(record_, library);
    auto* story = new QWidget;
    auto* rows = columnIn(story);
    rows->addWidget(weeks_, 1);
    rows->addWidget(new CuesPanel(record_));
    middle_ = new PageStack;
    auto* formed = new QScrollArea; // it may be longer than a small screen
    formed->setWidgetResizable(true);
    formed->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    formed->setFocusPolicy(Qt::NoFocus);
    formed->setWidget(form_);
    formed->viewport()->setAutoFillBackground(false);
    form_->setAutoFillBackground(false);
    for (QWidget* w : {story, static_cast<QWidget*>(formed), static_cast<QWidget*>(erase_)}) middle_->addWidget(w);

    auto* page = new QHBoxLayout(this);
    page->setContentsMargins(16, 16, 16, 16);
    page->setSpacing(24);
    page->addWidget(left());
    page->addWidget(middle_, 1);
    page->addWidget(right_ = right());

    connect(&record_, &ClientRecord::changed, this, &ClientPage::refresh);
    connect(form_, &ClientForm::left, this, &ClientPage::leaveForm);
    connect(form_, &ClientForm::failed, this, &ClientPage::said);
    connect(erase_, &EraseForm::left, this, &ClientPage::leaveForm);
    connect(erase_, &EraseForm::wanted, this, &ClientPage::eraseWanted);
    record_.show(0);
}

QWidget* ClientPage::left() {
    who_ = new QComboBox;
    who_->setAccessibleName(tr("Client"));
    who_->setFocusPolicy(Qt::TabFocus);
    connect(who_, &QComboBox::activated, this,
            [this](int index) { record_.show(record_.clients()[size_t(index)].id); });
    about_ = new FactsPanel(tr("About"));
    agreed_ = new FactsPanel(tr("Flags and consent"));
    auto* edit = new KeyButton(tr("Edit"), QStringLiteral("E"));
    edit->setAccessibleName(tr("Edit what the client wants, intake flags and consent"));
    auto* erase = new KeyButton(tr("Erase…"), tr("Del"));
    connect(edit, &KeyButton::clicked, this, &ClientPage::edit);
    connect(erase, &KeyButton::clicked, this, &ClientPage::askWhatToErase);
    auto* known = new QWidget;
    auto* facts = columnIn(known);
    for (QWidget* w : {static_cast<QWidget*>(new PractisedPanel(record_)), static_cast<QWidget*>(about_),
                       static_cast<QWidget*>(agreed_)})
        facts->addWidget(w);
    facts->addStretch(1);
    auto* scrolled = new QScrollArea; // what a client has agreed to may be long
    scrolled->setWidgetResizable(true);
    scrolled->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scrolled->setFocusPolicy(Qt::NoFocus);
    scrolled->setWidget(known);
    scrolled->viewport()->setAutoFillBackground(false);
    known->setAutoFillBackground(false);
    auto* side = new QWidget;
    side->setFixedWidth(224);
    auto* column = columnIn(side);
    column->addWidget(who_);
    column->addWidget(scrolled, 1);
    column->addLayout(inARow({edit, erase}));
    return side;
}

/// On a small screen the weeks in the middle need what the ladder can spare.
void ClientPage::resizeEvent(QResizeEvent* event) {
    constexpr int kSmall = 1180;
    Page::resizeEvent(event);
    const int words = open_->minimumSizeHint().width(); // the longest of the column's own
    right_->setFixedWidth(width() < kSmall ? std::clamp(words, 224, 300) : std::clamp(words, 304, 380));
}

QWidget* ClientPage::right() {
    auto* ladder = new LadderPanel(record_);
    auto* decided = new DecidedPanel(record_);
    decided->setFixedHeight(200);
    open_ = new KeyButton(tr("Open this review on the bench"), QStringLiteral("O"));
    report_ = new KeyButton(tr("Report…"), QStringLiteral("P"));
    bundle_ = new KeyButton(tr("Bundle…"), QStringLiteral("X"));
    connect(open_, &KeyButton::clicked, this, &ClientPage::openReview);
    connect(report_, &KeyButton::clicked, this, &ClientPage::reportWanted);
    connect(bundle_, &KeyButton::clicked, this, &ClientPage::bundleWanted);
    auto* side = new QWidget;
    auto* column = columnIn(side);
    column->addWidget(ladder, 1);
    column->addWidget(decided);
    column->addWidget(open_);
    column->addLayout(inARow({report_, bundle_}));
    return side;
}

QString ClientPage::heading() const {
    const Client& c = record_.client();
    if (record_.isEmpty()) return tr("Nobody is on record yet");
    return c.role.empty() ? text(c.name) : tr("%1, %2").arg(text(c.name), text(c.role));
}

/// A form belongs to one client: while it is open nobody else can be chosen.
void ClientPage::turnTo(Middle what) {
    middle_->setCurrentIndex(what);
    who_->setEnabled(what == Weeks);
}

void ClientPage::edit() {
    if (record_.isEmpty()) return;
    turnTo(Form);
    form_->begin();
}

void ClientPage::askWhatToErase() {
    if (record_.isEmpty()) return;
    turnTo(Erase);
    erase_->begin();
}

bool ClientPage::leaveForm() {
    if (!isEditing()) return false;
    turnTo(Weeks);
    setFocus();
    return true;
}

void ClientPage::openReview() {
    if (const FiledReview* r = record_.chosenReview()) emit openClip(r->clip);
}

/// Of the chosen review.
QString ClientPage::mailWords() const {
    const FiledReview* r = record_.chosenReview();
    const auto mail = r ? library_.mailOf(r->id) : std::nullopt;
    if (!mail) return tr("none made");
    return mail->sent.empty() ? tr("made %1, not sent yet").arg(dayAndYear(mail->made.substr(0, 10)))
                              : tr("sent %1").arg(dayAndYear(mail->sent.substr(0, 10)));
}

void ClientPage::refresh() {
    who_->clear();
    for (const Client& c : record_.clients()) {
        who_->addItem(text(c.name));
        if (c.id == record_.client().id) who_->setCurrentIndex(who_->count() - 1);
    }
    const bool reviewed = record_.chosenReview() != nullptr;
    for (KeyButton* b : {open_, report_, bundle_}) b->setEnabled(reviewed);
    if (record_.isEmpty()) {
        about_->setFacts({});
        agreed_->setFacts({});
        weeks_->show({}, tr("There is no client yet. The first comes with the first clip: bring one in with Ctrl+O."));
        return;
    }
    const CataloguePtr catalogue = library_.catalogue();
    const Client& c = record_.client();
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    int pain = 0;
    for (const Clip& clip : record_.clips()) pain += clip.draft.note.pain;
    about_->setFacts({{tr("Since"), dayAndYear(record_.since())},
                      {tr("E-mail"), c.address.empty() ? tr("not known") : text(c.address)},
                      {tr("Language"), text(catalogue->language(c.language)->name())},
                      {tr("Wants"), c.wants.empty() ? tr("not written down") : text(c.wants)},
                      {tr("Felt in"), feltWords(*catalogue, record_)},
                      {tr("Schools"), schoolsWords(*catalogue, record_)},
                      {tr("Practice"), practiceWords(library_, c.id, *parseDate(today))},
                      {tr("Mail"), mailWords()}});
    const QString home = painAtHome(library_, c.id);
    agreed_->setFacts(
        {{tr("Flags"), flagsWords(catalogue->safety(), c.flags), !c.flags.empty()},
         {tr("Pain"),
          pain ? tr("named with %1 of %2").arg(pain).arg(counted(int(record_.clips().size()), tr("clip"), tr("clips")))
               : tr("never named"),
          pain > 0},
         {tr("At home"), home.isEmpty() ? tr("no pain told") : tr("pain: %1").arg(home), !home.isEmpty()},
         {tr("Consent"), consentWords(catalogue->safety(), c.consent), !c.consent || !c.consent->covers("coaching")},
         {tr("Videos"), keptWords(c.consent, today), c.consent && c.consent->isOver(today)}});
    const ClientStory* told = record_.story();
    const bool none = !told || told->reviews.empty();
    weeks_->show(told ? told->weeks : std::vector<OverTime>(),
                 none ? tr("No review of this exercise has been filed yet. Its readings stand here from the first on.")
                      : tr("The last review has no readings."),
                 daysOfPain(library_, record_));
}

} // namespace deft::ui

#include "moc_client_page.cpp"
