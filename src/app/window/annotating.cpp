// SPDX-License-Identifier: GPL-3.0-or-later
// What the coach adds to a review: drawings, faults that were seen, the client's neutral.
#include "app/bench/bench_page.h"
#include "app/bench/drawing_tool.h"
#include "app/queue/queue_page.h"
#include "app/theme/words.h"
#include "app/window/main_window.h"

#include <QMenu>

namespace deft::ui {
namespace {
constexpr double kAround_s = 0.25; // of a fault that is added at one frame
} // namespace

void MainWindow::makeAnnotateActions(QMenu* menu) {
    using K = QKeySequence;
    DrawingTool& tool = bench_->stage().drawing();
    for (const auto& [name, key, kind] : {std::tuple{tr("Draw an arrow"), Qt::Key_A, Drawing::Kind::Arrow},
                                          {tr("Draw a line"), Qt::Key_L, Drawing::Kind::Line},
                                          {tr("Draw an angle"), Qt::Key_G, Drawing::Kind::Angle},
                                          {tr("Write words on the picture"), Qt::Key_W, Drawing::Kind::Words}})
        add(menu, name, {K(Qt::SHIFT | key)}, bench_, [&tool, what = kind] { tool.start(what); });
    add(menu, tr("Remove the last drawing on this frame"), {K(Qt::SHIFT | Qt::Key_Delete)}, bench_,
        [&tool] { tool.takeOutLast(); });
    menu->addSeparator();
    add(menu, tr("Add a fault that I see here…"), {K(Qt::Key_F)}, bench_, [this] {
        chooseFault(tr("A fault that you see here"), [this](const std::string& id) {
            const double now = session_->clip().time_s[size_t(session_->place().frame())];
            session_->deciding().addFault(id, std::max(0.0, now - kAround_s), now + kAround_s);
        });
    });
    add(menu, tr("Change which fault this is…"), {K(Qt::SHIFT | Qt::Key_F)}, bench_, [this] {
        if (!moment()) return say(tr("Choose a moment first."));
        chooseFault(tr("What it is instead"), [this](const std::string& id) {
            if (moment()) session_->deciding().renameFault(Moment(*moment()), id);
        });
    });
    add(menu, tr("This moment begins at this frame"), {K(Qt::Key_Comma)}, bench_, [this] { moveMoment(true); });
    add(menu, tr("This moment ends at this frame"), {K(Qt::Key_Period)}, bench_, [this] { moveMoment(false); });
    menu->addSeparator();
    add(menu, tr("A breath out begins here"), {K(Qt::Key_E)}, bench_, [this] { session_->deciding().tapBreath(true); });
    add(menu, tr("A breath in begins here"), {K(Qt::Key_I)}, bench_, [this] { session_->deciding().tapBreath(false); });
    add(menu, tr("Confirm the breaths out that were heard"), {K(Qt::CTRL | Qt::Key_E)}, bench_, [this] {
        const auto& heard = bench_->sound().breath().proposed;
        if (heard.empty()) return say(tr("No breath was heard in this clip."));
        session_->deciding().confirmBreaths(heard);
    });
    add(menu, tr("Remove the nearest breath"), {K(Qt::SHIFT | Qt::Key_E)}, bench_,
        [this] { session_->deciding().untapBreath(); });
    menu->addSeparator();
    add(menu, tr("A part of the film begins here"), {K(Qt::SHIFT | Qt::Key_I)}, bench_, [this] {
        partFrom_ = {session_->clipId(), filmTime()};
        say(tr("A part begins at %1 s of the film. Go to its end and press Shift+O.")
                .arg(coachLocale().toString(filmTime(), 'f', 1)));
    });
    add(menu, tr("The part ends here: make a clip of it"), {K(Qt::SHIFT | Qt::Key_O)}, bench_, [this] { cutPart(); });
    menu->addSeparator();
    add(menu, tr("This frame is the client's neutral"), {K(Qt::Key_N)}, bench_,
        [this] { session_->deciding().setNeutral(session_->place().frame()); });
    add(menu, tr("Neutral midway between full arch and full flat"), {K(Qt::CTRL | Qt::Key_N)}, bench_,
        [this] { session_->deciding().setNeutralMidway(); });
    add(menu, tr("Neutral of another clip of this client…"), {K(Qt::ALT | Qt::Key_N)}, bench_,
        [this] { chooseNeutralClip(); });
    add(menu, tr("Neutral from the set-up again"), {K(Qt::SHIFT | Qt::Key_N)}, bench_,
        [this] { session_->deciding().setNeutral(std::nullopt); });
}

double MainWindow::filmTime() const {
    const auto& part = session_->clip().part;
    return (part ? part->from_s : 0) + session_->clip().time_s[size_t(session_->place().frame())];
}

void MainWindow::cutPart() {
    const auto clip = library_->clip(session_->clipId());
    if (!clip) return;
    if (partFrom_.first != clip->id || partFrom_.second >= filmTime())
        return say(tr("Go to where the part begins and press Shift+I; then to its end and Shift+O."));
    go(Queue);
    queue_->beginPart(*clip, {partFrom_.second, filmTime()});
}

const Moment* MainWindow::moment() const {
    const int i = session_->place().moment();
    return i >= 0 && i < int(session_->moments().size()) ? &session_->moments()[size_t(i)] : nullptr;
}

void MainWindow::chooseFault(const QString& title, const std::function<void(const std::string&)>& then) {
    if (!session_->review()) return say(tr("Measure the clip first."));
    auto* menu = new QMenu(title, this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->setObjectName(QStringLiteral("faults"));
    menu->addSection(title);
    for (const FaultPlan& f : session_->exercise().faults)
        connect(menu->addAction(spoken(f.name)), &QAction::triggered, this, [id = f.id, then] { then(id); });
    menu->popup(bench_->stage().mapToGlobal(QPoint(24, 48)));
}

void MainWindow::chooseNeutralClip() {
    if (!session_->review()) return say(tr("Measure the clip first."));
    const auto clips = session_->deciding().clipsWithNeutral();
    if (clips.empty())
        return say(tr("No other clip of this client has a neutral yet. Where full arch and full flat are shown, press "
                      "Ctrl+N there."));
    auto* menu = new QMenu(tr("Neutral of which clip"), this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->setObjectName(QStringLiteral("neutrals"));
    menu->addSection(menu->title());
    for (const Clip& clip : clips) {
        const Neutral& n = *clip.draft.neutral;
        const auto exercise = library_->catalogue()->exercise(clip.draft.exercise);
        QString words = tr("%1, %2: %3 ± %4")
                            .arg(dayWords(clip.received), spoken(exercise ? exercise->name : clip.draft.exercise),
                                 reading(n.tilt_raw, "deg"), band(n.u95));
        if (n.range) words += tr(", own range %1").arg(reading(*n.range, "deg", 0, false));
        connect(menu->addAction(words), &QAction::triggered, this,
                [this, clip] { session_->deciding().setNeutralOf(clip); });
    }
    menu->popup(bench_->stage().mapToGlobal(QPoint(24, 48)));
}

void MainWindow::moveMoment(bool begin) {
    const Moment* m = moment();
    if (!m || !session_->exercise().fault(m->id)) return say(tr("Choose a moment of the movement first."));
    const double now = session_->clip().time_s[size_t(session_->place().frame())];
    const double from = begin ? now : std::min(m->start_s, now), to = begin ? std::max(m->end_s, now) : now;
    session_->deciding().moveFault(Moment(*m), from, to);
}

} // namespace deft::ui
