// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/exercises/exercises_page.h"

#include "app/documents/sketch_picture.h"
#include "app/exercises/exercise_words.h"
#include "app/paint/strokes.h"
#include "app/theme/palette.h"
#include "app/theme/words.h"
#include "app/widgets/page_stack.h"

#include <QHBoxLayout>
#include <QScrollBar>

namespace deft::ui {
namespace {

constexpr std::pair<const char*, const char*> kPositions[] = {
    {"all-fours", QT_TRANSLATE_NOOP("QObject", "On all fours")},
    {"supine", QT_TRANSLATE_NOOP("QObject", "On the back")},
    {"bridge", QT_TRANSLATE_NOOP("QObject", "Bridge")},
    {"plank", QT_TRANSLATE_NOOP("QObject", "Plank and rollout")},
    {"side-lying", QT_TRANSLATE_NOOP("QObject", "On the side")},
    {"standing", QT_TRANSLATE_NOOP("QObject", "Standing")},
    {"half-kneeling", QT_TRANSLATE_NOOP("QObject", "Half-kneeling")},
    {"prone", QT_TRANSLATE_NOOP("QObject", "Face down")}};

bool isExercise(const QListWidgetItem* item) { return item && !item->data(Qt::UserRole).toString().isEmpty(); }

} // namespace

void SketchPair::show(const Exercise* exercise) {
    exercise_ = exercise ? std::optional(*exercise) : std::nullopt;
    setVisible(exercise && !exercise->start.empty());
    if (exercise) setAccessibleName(tr("Drawing of %1: start and far end").arg(spoken(exercise->name)));
    update();
}

void SketchPair::paintEvent(QPaintEvent*) {
    if (!exercise_) return;
    QPainter p(this);
    const Palette& c = colours();
    const double w = (width() - 24) / 2.0;
    const QRectF first(0, 24, w, height() - 28), second(w + 24, 24, w, height() - 28);
    putText(p, QRectF(first.left(), 0, w, 20), tr("Start"), Size::Small, c.ink2);
    putText(p, QRectF(second.left(), 0, w, 20),
            exercise_->mover.isWindow() ? spoken(exercise_->mover.words)
                                        : tr("Far end: %1").arg(spoken(exercise_->mover.words)),
            Size::Small, c.ink2);
    drawSketch(p, first, *exercise_, exercise_->start);
    drawSketch(p, second, *exercise_, exercise_->end, exercise_->mover.isWindow() ? nullptr : &exercise_->start);
}

ExercisesPage::ExercisesPage(Library& library, QWidget* parent) : QWidget(parent), library_(library) {
    list_ = new QListWidget;
    list_->setFrameShape(QFrame::NoFrame);
    list_->setFixedWidth(304);
    list_->viewport()->setAutoFillBackground(false);
    list_->setAccessibleName(tr("Exercises"));
    title_ = new QLabel;
    title_->setTextFormat(Qt::PlainText);
    title_->setFont(face(Size::Large, QFont::DemiBold));
    about_ = new QLabel;
    about_->setWordWrap(true);
    drawing_ = new SketchPair;
    drawing_->setFixedHeight(208);
    text_ = new QTextBrowser;
    text_->setFrameShape(QFrame::NoFrame);
    text_->viewport()->setAutoFillBackground(false);
    text_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn); // else a long page is laid out twice
    text_->setAccessibleName(tr("The exercise as a page"));
    editor_ = new OwnFileEditor(library);
    edit_ = new KeyButton(tr("My own file of this exercise"), tr("E"), KeyButton::Kind::Plain);

    auto* reading = new QWidget;
    auto* page = new QVBoxLayout(reading);
    page->setContentsMargins(0, 0, 0, 0);
    page->setSpacing(8);
    auto* head = new QHBoxLayout;
    head->addWidget(title_);
    head->addStretch();
    head->addWidget(edit_);
    page->addLayout(head);
    page->addWidget(about_);
    page->addWidget(drawing_);
    page->addWidget(text_, 1);
    pages_ = new PageStack;
    pages_->addWidget(reading);
    pages_->addWidget(editor_);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(16, 16, 16, 16);
    row->setSpacing(24);
    row->addWidget(list_);
    row->addWidget(pages_, 1);

    connect(list_, &QListWidget::currentItemChanged, this, &ExercisesPage::showChosen);
    connect(edit_, &KeyButton::clicked, this, [this] { setEditing(true); });
    connect(editor_, &OwnFileEditor::left, this, [this] { setEditing(false); });
    connect(editor_, &OwnFileEditor::said, this, &ExercisesPage::said);
    connect(editor_, &OwnFileEditor::changed, this, [this] {
        const QString id = list_->currentItem()->data(Qt::UserRole).toString();
        refresh();
        choose(id.toStdString());
    });
    refresh();
    choose("bridge");
}

void ExercisesPage::refresh() {
    const QSignalBlocker quiet(list_);
    list_->clear();
    std::map<std::string, std::vector<std::pair<QString, QString>>> byPosition;
    const CataloguePtr catalogue = library_.catalogue();
    for (const std::string& id : catalogue->exerciseIds()) {
        const auto e = catalogue->exercise(id);
        byPosition[e ? e->position : "damaged"].emplace_back(spoken(e ? e->name : id), QString::fromStdString(id));
    }
    auto add = [&](const std::string& position, const QString& title) {
        if (byPosition[position].empty()) return;
        auto* head = new QListWidgetItem(title, list_);
        head->setFlags(Qt::NoItemFlags);
        head->setFont(face(Size::Small, QFont::DemiBold));
        head->setSizeHint({0, 30});
        std::sort(byPosition[position].begin(), byPosition[position].end());
        for (const auto& [name, id] : byPosition[position]) {
            auto* item = new QListWidgetItem(name, list_);
            item->setData(Qt::UserRole, id);
            item->setSizeHint({0, 26});
        }
    };
    for (const auto& [position, title] : kPositions) add(position, QObject::tr(title));
    add("damaged", tr("Damaged files"));
}

void ExercisesPage::choose(const std::string& id) {
    for (int i = 0; i < list_->count(); ++i)
        if (list_->item(i)->data(Qt::UserRole).toString().toStdString() == id)
            return list_->currentRow() == i ? showPage() : list_->setCurrentRow(i); // which shows it, too
}

std::string ExercisesPage::chosen() const {
    return isExercise(list_->currentItem()) ? list_->currentItem()->data(Qt::UserRole).toString().toStdString()
                                            : std::string();
}

void ExercisesPage::step(int by) {
    for (int i = list_->currentRow() + by; i >= 0 && i < list_->count(); i += by)
        if (isExercise(list_->item(i))) return list_->setCurrentRow(i);
}

void ExercisesPage::setEditing(bool editing) {
    pages_->setCurrentIndex(editing ? 1 : 0);
    if (!editing) return list_->setFocus();
    if (const auto e = library_.catalogue()->exercise(chosen())) editor_->edit(*e);
    editor_->text().setFocus();
}

/// A long page is laid out once, when there is room for it, and in a turn of its own.
void ExercisesPage::showEvent(QShowEvent*) {
    QMetaObject::invokeMethod(this, &ExercisesPage::showPage, Qt::QueuedConnection);
}

void ExercisesPage::showChosen() {
    showPage();
    if (isEditing())
        if (const auto e = library_.catalogue()->exercise(chosen())) editor_->edit(*e);
}

void ExercisesPage::showPage() {
    const std::string id = chosen();
    if (id.empty() || !isVisible()) return;
    const CataloguePtr catalogue = library_.catalogue();
    const auto e = catalogue->exercise(id);
    title_->setText(e ? spoken(e->name) : QString::fromStdString(id));
    drawing_->show(e ? &*e : nullptr);
    edit_->setEnabled(e.has_value());
    if (!e) {
        about_->clear();
        text_->setPlainText(ui::said(e.error()) + QLatin1Char('.'));
        return;
    }
    QStringList views, names;
    for (const std::string& v : e->views) views << ui::said(Message("fact.view." + v));
    for (const std::string& n : e->otherNames) names << QString::fromStdString(n);
    QString about = tr("Filmed from: %1").arg(views.join(tr(", or ")));
    if (!names.isEmpty()) about += tr("   Also called: %1").arg(names.join(QStringLiteral(", ")));
    if (e->eachSide) about += tr("   Left and right");
    about_->setText(about);
    text_->setHtml(exercisePage(*catalogue, *e));
    text_->verticalScrollBar()->setValue(0);
}

} // namespace deft::ui

#include "moc_exercises_page.cpp"
