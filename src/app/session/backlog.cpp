#include "app/session/backlog.h"

#include <algorithm>

namespace deft::ui {

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
    now_ = 0;
}

void Backlog::next() {
    if (waiting_.empty()) return;
    const Clip clip = waiting_.front();
    waiting_.pop_front();
    now_ = clip.id;
    start(clip);
}

void Backlog::stopOne(int64_t clip) {
    waiting_.erase(std::remove_if(waiting_.begin(), waiting_.end(), [&](const Clip& w) { return w.id == clip; }),
                   waiting_.end());
    givenUp_[clip] = tr("stopped by you");
    if (now_ != clip) return;
    job_.stop();
    now_ = 0;
    emit ready(clip);
    if (now_ == 0) next();
}

void Backlog::retry(const Clip& clip) {
    givenUp_.erase(clip.id);
    look({clip}, true);
}

QString Backlog::troubleOf(int64_t clip) const {
    const auto it = givenUp_.find(clip);
    return it == givenUp_.end() ? QString() : it->second;
}

void Backlog::done(const QString& trouble) {
    const int64_t clip = now_;
    now_ = 0;
    if (!trouble.isEmpty()) givenUp_[clip] = trouble;
    emit ready(clip);
    if (now_ == 0) next();
}

} // namespace deft::ui
