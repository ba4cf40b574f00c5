// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/queue/clip_list.h"

#include "app/documents/answer_picture.h"
#include "app/paint/body_overlay.h"
#include "app/paint/strokes.h"
#include "app/sheet/moments.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"
#include "video/clip_reader.h"

namespace deft::ui {
namespace {

constexpr int kFiledShown = 60; ///< the client room has them all

struct Seen {
    QImage picture;
    QString found;
};

/// When the answer was promised, as short as the row is.
QString byWords(const std::string& date) {
    const QString day = dayWords(date);
    return day.isEmpty() ? QObject::tr("waits") : QObject::tr("by %1").arg(day);
}

/// Filed, ready, or how urgent it is and what the client wrote: for who cannot see the row.
QString waitWords(const ClipList::Entry& e) {
    if (e.clip.filed) return QObject::tr("filed");
    QStringList words = {e.isReady() ? QObject::tr("ready for its letter") : QObject::tr("waiting")};
    const ClientNote& note = e.clip.draft.note;
    if (note.pain) words << QObject::tr("pain was named");
    if (!note.pain && note.isAlarming()) words << QObject::tr("a reason to stop was told");
    if (!e.clip.draft.answerBy.empty()) words << QObject::tr("answer promised %1").arg(byWords(e.clip.draft.answerBy));
    if (!note.words.empty()) words << quoted(note.words);
    return words.join(QStringLiteral(", "));
}

/// The proposed points with room around them, in the shape of the list's pictures.
QRectF cropAround(const MarkedFrame& marks, const ClipInfo& clip) {
    QPolygonF points;
    for (const auto& [name, at] : marks.points)
        if (at) points << QPointF(at->x(), at->y());
    QRectF box = points.boundingRect();
    const double height = std::max(box.height(), box.width() * 50 / 88) * 1.3, width = height * 88 / 50;
    box = QRectF(box.center() - QPointF(width, height) / 2, QSizeF(width, height));
    return box & QRectF(0, 0, clip.width, clip.height);
}

/// A picture of the clip, and what its review says if its marks have been followed before.
Seen lookAt(const Library& library, const Clip& clip) {
    Seen seen;
    auto reader = ClipReader::open(clip.draft.clipPath, clip.draft.part);
    if (!reader && clip.filed && reader.error().code == Errc::NotFound)
        return {{}, QObject::tr("its film has gone; the numbers are kept")};
    if (!reader) return {{}, said(reader.error())};
    int64_t frame = reader->info().frames() / 2;
    QRectF crop(0, 0, reader->info().width, reader->info().height);
    std::optional<Review> review;
    if (auto tracks = clip.draft.marks.frames.empty() ? std::nullopt : library.cachedTracks(clip.draft);
        tracks && int64_t(tracks->frames()) == reader->info().frames()) {
        tracks->time_s = reader->info().time_s;
        if (auto r = measureReview(library.catalogue(), clip.draft, reader->info(), std::move(*tracks)))
            review = std::move(*r);
    }
    if (review) {
        const auto moments = momentsOf(*review);
        if (!moments.empty()) frame = moments.front().frame;
        crop = bodyCrop(*review, 88.0 / 50, true);
        seen.found = moments.empty() ? QObject::tr("nothing out of tolerance")
                                     : counted(int(moments.size()), QObject::tr("moment"), QObject::tr("moments"));
        seen.found += QStringLiteral("; ") + stepWords(review->decision.step);
    } else if (!clip.draft.marks.frames.empty()) {
        seen.found = QObject::tr("marked, to be measured");
    } else {
        const auto proposed = library.cachedProposals(clip.draft);
        const size_t marks = proposed && !proposed->frames.empty() ? proposed->frames.front().points.size() : 0;
        seen.found = marks ? QObject::tr("%1 proposed, to be confirmed")
                                 .arg(counted(int(marks), QObject::tr("mark"), QObject::tr("marks")))
                           : QObject::tr("marks to be placed");
        if (marks) {
            frame = reader->info().frameAt(proposed->frames.front().time_s);
            crop = cropAround(proposed->frames.front(), reader->info());
        }
    }
    if (const auto picture = reader->bgra(frame))
        seen.picture = toImage(*picture)
                           .copy(crop.toAlignedRect())
                           .scaled(784, 440, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation);
    return seen;
}

} // namespace

ClipList::ClipList(Library& library, QObject* parent) : QAbstractListModel(parent), library_(library) {}
ClipList::~ClipList() { library_.lookingAt(0); }

void ClipList::refresh() {
    beginResetModel();
    std::map<int64_t, Client> clients;
    for (Client& c : library_.clients()) clients[c.id] = std::move(c);
    std::map<int64_t, Entry> before;
    for (Entry& e : entries_) before.emplace(e.clip.id, std::move(e));
    entries_.clear();
    const CataloguePtr catalogue = library_.catalogue();
    for (Clip& c : library_.clips(kFiledShown)) {
        Entry e;
        if (const auto old = before.find(c.id); old != before.end()) {
            e = std::move(old->second);
            e.seen = e.seen && !touched_.count(c.id) && e.clip.filed == c.filed && e.clip.savedAt == c.savedAt;
        }
        e.clip = std::move(c);
        e.client = clients[e.clip.client];
        if (const auto exercise = catalogue->exercise(e.clip.draft.exercise)) e.exercise = spoken(exercise->name);
        entries_.push_back(std::move(e));
    }
    groupVisits();
    for (const Aside& a : library_.asides("picture"))
        for (Entry& e : entries_)
            if (std::to_string(e.clip.id) == a.subject)
                e.seen = true, e.found = tr("not looked at: %1. R tries again").arg(said(a.why));
    touched_.clear();
    endResetModel();
    lookAtNext();
}

/// The clips of a visit stand where its first one does, those that are still to be looked at before those that are
/// ready.
void ClipList::groupVisits() {
    std::map<Key, std::vector<Entry>> visits;
    std::vector<Key> order;
    std::vector<Entry> filed;
    for (Entry& e : entries_) {
        if (e.clip.filed) {
            e.visit = 1, e.place = 0;
            filed.push_back(std::move(e));
            continue;
        }
        const Key key = keyOf(e);
        if (!visits.count(key)) order.push_back(key);
        visits[key].push_back(std::move(e));
    }
    entries_.clear();
    for (const Key& key : order) {
        auto& visit = visits[key];
        std::stable_sort(visit.begin(), visit.end(), [](const Entry& a, const Entry& b) {
            return std::tuple(a.isReady(), a.clip.id) < std::tuple(b.isReady(), b.clip.id);
        });
        QStringList exercises;
        for (const Entry& e : visit) exercises << e.exercise;
        exercises.removeDuplicates();
        for (size_t i = 0; i < visit.size(); ++i) {
            visit[i].visit = int(visit.size()), visit[i].place = int(i);
            visit[i].visitWords = exercises.join(QStringLiteral("; "));
            entries_.push_back(std::move(visit[i]));
        }
    }
    std::move(filed.begin(), filed.end(), std::back_inserter(entries_));
}

void ClipList::setUnfolded(int row, bool unfolded) {
    const Key key = keyOf(entries_[size_t(row)]);
    unfolded ? void(unfolded_.insert(key)) : void(unfolded_.erase(key));
    emit dataChanged(index(0), index(rowCount() - 1));
}

/// One clip after the other, so that the first ones are there at once however many wait.
void ClipList::lookAtNext() {
    const auto next = std::find_if(entries_.begin(), entries_.end(), [](const Entry& e) { return !e.seen; });
    if (next == entries_.end()) {
        library_.lookingAt(0);
        return look_.stop();
    }
    library_.lookingAt(next->clip.id);
    look_.run([&library = library_, clip = next->clip](StopToken, const ProgressFn&) { return lookAt(library, clip); },
              [this, id = next->clip.id](Seen seen) {
                  for (size_t row = 0; row < entries_.size(); ++row) {
                      Entry& e = entries_[row];
                      if (e.clip.id != id) continue;
                      e.picture = std::move(seen.picture), e.found = seen.found, e.seen = true;
                      emit dataChanged(index(int(row)), index(int(row)));
                  }
                  lookAtNext();
              });
}

void ClipList::setWork(int64_t clip, const QString& words) {
    for (size_t row = 0; row < entries_.size(); ++row) {
        Entry& e = entries_[row];
        if (e.clip.id != clip || e.work == words) continue;
        e.work = words;
        emit dataChanged(index(int(row)), index(int(row)));
    }
}

const ClipList::Entry* ClipList::find(int64_t clip) const {
    for (const Entry& e : entries_)
        if (e.clip.id == clip) return &e;
    return nullptr;
}

int ClipList::waiting() const {
    return int(std::count_if(entries_.begin(), entries_.end(), [](const Entry& e) { return !e.clip.filed; }));
}

int ClipList::rowCount(const QModelIndex& parent) const { return parent.isValid() ? 0 : int(entries_.size()); }

QVariant ClipList::data(const QModelIndex& index, int role) const {
    if (!index.isValid()) return {};
    const Entry& e = entries_[size_t(index.row())];
    // Spoken by a screen reader; the delegate draws from the entry itself.
    if (role == Qt::DisplayRole || role == Qt::AccessibleTextRole) {
        const bool folded = e.visit > 1 && e.place == 0 && !isUnfolded(index.row());
        return tr("%1, %2, %3, received %4, %5")
            .arg(QString::fromStdString(e.client.name),
                 folded        ? tr("visit of %1 clips: %2").arg(e.visit).arg(e.visitWords)
                 : e.visit > 1 ? tr("clip %1 of %2 of a visit: %3").arg(e.place + 1).arg(e.visit).arg(e.exercise)
                               : e.exercise,
                 waitWords(e), QString::fromStdString(e.clip.received), e.work.isEmpty() ? e.found : e.work);
    }
    return {};
}

void ClipDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto& list = *static_cast<const ClipList*>(index.model());
    const auto& e = list.entry(index.row());
    const bool folded = e.visit > 1 && !list.isUnfolded(index.row()), below = e.place > 0;
    const Palette& c = colours();
    const QRectF box = option.rect;
    p->save();
    p->setRenderHint(QPainter::Antialiasing);
    p->setRenderHint(QPainter::SmoothPixmapTransform);
    if (option.state & QStyle::State_Selected) p->fillRect(box, c.soft);
    p->setPen(QPen(c.hairline, 1));
    p->drawLine(box.bottomLeft(), box.bottomRight());
    const QRectF picture(box.left() + 76 + (below ? 24 : 0), box.top() + 7, 88, 50);
    if (!below)
        putText(*p, QRectF(box.left() + 8, box.top() + 8, 64, 18), dayWords(e.clip.received), Size::Small, c.ink,
                QFont::DemiBold);
    putText(*p, QRectF(box.left() + 8, box.top() + 26, 64, 18),
            e.clip.filed                     ? QObject::tr("filed")
            : e.isReady() && !folded         ? QObject::tr("ready")
            : e.clip.draft.note.pain         ? QObject::tr("pain")
            : e.clip.draft.note.isAlarming() ? QObject::tr("first")
            : e.clip.draft.answerBy.empty()  ? QObject::tr("waits")
                                             : byWords(e.clip.draft.answerBy),
            Size::Small, e.clip.draft.note.isAlarming() && !e.clip.filed ? c.ink : c.ink2);
    p->fillRect(picture, c.stage);
    if (!e.picture.isNull()) {
        const double h = e.picture.width() * picture.height() / picture.width();
        p->drawImage(picture, e.picture, QRectF(0, (e.picture.height() - h) / 2, e.picture.width(), h));
    }
    if (e.clip.filed) {
        QColor veil = c.ground;
        veil.setAlphaF(c.dark ? 0.32f : 0.26f);
        p->fillRect(picture, veil);
    }
    const double x = picture.right() + 16, rest = box.right() - x - 8;
    const QRectF first(x, box.top() + 8, rest, 20), second(x, box.top() + 30, rest, 20);
    const int name = putText(*p, first, QString::fromStdString(e.client.name), Size::Body, c.ink, QFont::DemiBold);
    if (e.visit == 1)
        putText(*p, first.adjusted(name + 8, 0, 0, 0), QString::fromStdString(e.client.role), Size::Small, c.ink2);
    putText(*p, QRectF(x, second.top(), 0.55 * rest, 20),
            e.clip.draft.note.words.empty() ? QString() : quoted(e.clip.draft.note.words), Size::Small, c.ink);
    putText(*p, QRectF(x + 0.57 * rest, second.top(), 0.43 * rest, 20), e.work.isEmpty() ? e.found : e.work,
            Size::Small, c.ink2, QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
    const QString told = folded        ? QObject::tr("%1 clips: %2").arg(e.visit).arg(e.visitWords)
                         : e.visit > 1 ? QObject::tr("%1 of %2: %3").arg(e.place + 1).arg(e.visit).arg(e.exercise)
                                       : e.exercise;
    putText(*p, QRectF(x + 0.42 * rest, first.top(), 0.58 * rest, 20), told, Size::Small, c.ink, QFont::Medium,
            Qt::AlignRight | Qt::AlignVCenter);
    if (e.visit > 1 && !below) { // points right while the others are folded, down where they stand below
        const QPointF at(picture.left() - 7, picture.center().y());
        QPolygonF sign = folded ? QPolygonF{{-3, -5}, {3, 0}, {-3, 5}} : QPolygonF{{-5, -3}, {5, -3}, {0, 3}};
        p->setPen(Qt::NoPen);
        p->setBrush(c.ink);
        p->drawPolygon(sign.translated(at));
    }
    if (option.state & QStyle::State_HasFocus) {
        p->setPen(QPen(c.ink, 1.6));
        p->setBrush(Qt::NoBrush);
        p->drawRect(box.adjusted(1, 1, -1, -1));
    }
    p->restore();
}

} // namespace deft::ui

#include "moc_clip_list.cpp"
