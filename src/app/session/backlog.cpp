// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/backlog.h"

#include "app/theme/words.h"

#include <algorithm>

namespace deft::ui {

Backlog::Backlog(Library& library, const char* kind, QObject* parent)
    : QObject(parent), library_(library), kind_(kind) {
    job_.stayBehind();
    for (const Aside& a : library.asides(kind)) givenUp_[QString::fromStdString(a.subject).toLongLong()] = a.why;
}

void Backlog::look(const std::vector<Clip>& clips, bool first) {
    for (const Clip& c : clips) {
        if (c.filed || now_ == c.id || givenUp_.count(c.id) || !needs(c)) continue;
        const auto same = std::find_if(waiting_.begin(), waiting_.end(), [&](const Clip& w) { return w.id == c.id; });
        if (same != waiting_.end()) {
            if (!first) continue;
            waiting_.erase(same);
        }
        first ? waiting_.push_front(c) : waiting_.push_back(c);
    }
    if (now_ == 0) next();
}

void Backlog::stop() {
    waiting_.clear();
    job_.stop();
    if (now_ != 0) (void)library_.end(kind_, subject(now_)); // not its fault
    now_ = 0;
}

void Backlog::setPaused(bool paused) {
    paused_ = paused;
    if (!paused) {
        if (now_ == 0) next();
        return;
    }
    if (now_ == 0) return;
    job_.stop();
    (void)library_.end(kind_, subject(now_)); // not its fault
    waiting_.push_front(*working_);
    now_ = 0;
    emit ready(working_->id);
}

void Backlog::next() {
    if (paused_ || waiting_.empty()) return;
    const Clip clip = waiting_.front();
    waiting_.pop_front();
    now_ = clip.id;
    working_ = clip;
    (void)library_.begin(kind_, subject(clip.id)); // if the program does not live to end it, the next start knows
    start(clip);
}

void Backlog::stopOne(int64_t clip) {
    waiting_.erase(std::remove_if(waiting_.begin(), waiting_.end(), [&](const Clip& w) { return w.id == clip; }),
                   waiting_.end());
    givenUp_[clip] = tr("stopped by you").toStdString();
    if (now_ != clip) return;
    job_.stop();
    (void)library_.end(kind_, subject(clip));
    now_ = 0;
    emit ready(clip);
    if (now_ == 0) next();
}

void Backlog::retry(const Clip& clip) {
    if (givenUp_.erase(clip.id)) (void)library_.end(kind_, subject(clip.id));
    look({clip}, true);
}

QString Backlog::troubleOf(int64_t clip) const {
    const auto it = givenUp_.find(clip);
    return it == givenUp_.end() ? QString() : said(it->second);
}

void Backlog::done(const Message& trouble) {
    const int64_t clip = now_;
    now_ = 0;
    if (trouble.empty()) {
        (void)library_.end(kind_, subject(clip));
    } else {
        givenUp_[clip] = trouble;
        (void)library_.putAside({kind_, subject(clip), trouble});
    }
    emit ready(clip);
    if (now_ == 0) next();
}

} // namespace deft::ui

#include "moc_backlog.cpp"
