// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "store/library.h"

#include <QAbstractListModel>
#include <QImage>
#include <QStyledItemDelegate>
#include <set>

namespace deft::ui {

/// The clips of the library, waiting ones first, with a picture of each and what is known about it so far.
class ClipList : public QAbstractListModel {
    Q_OBJECT
public:
    explicit ClipList(Library& library, QObject* parent = nullptr);
    ~ClipList() override;
    void refresh();
    /// Something new is known about this clip: its picture and words are made anew.
    void touch(int64_t clip) { touched_.insert(clip); }
    /// What is being done for a clip, or why it could not be done; empty = nothing.
    void setWork(int64_t clip, const QString& words);

    struct Entry {
        Clip clip;
        Client client;
        QImage picture;
        QString found, exercise, work;
        bool seen = false;  ///< picture and `found` are up to date
        int visit = 1;      ///< how many clips wait that came from this client on the same day; they stand together
        int place = 0;      ///< among them; the first stands for all while they are folded
        QString visitWords; ///< of the first: all of their exercises
        bool isReady() const { return clip.draft.ready && !clip.filed; }
    };
    const Entry& entry(int row) const { return entries_[size_t(row)]; }
    const Entry* find(int64_t clip) const;
    /// Shows the clips of a visit under its first one, or folds them. @param row of any of them
    void setUnfolded(int row, bool unfolded);
    bool isUnfolded(int row) const { return unfolded_.count(keyOf(entries_[size_t(row)])) > 0; }
    int waiting() const;

    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;

private:
    using Key = std::pair<int64_t, std::string>; ///< client and day
    static Key keyOf(const Entry& e) { return {e.clip.client, e.clip.received}; }
    void groupVisits();
    void lookAtNext();
    Library& library_;
    std::vector<Entry> entries_;
    std::set<int64_t> touched_;
    std::set<Key> unfolded_;
    BackgroundJob look_;
};

/// Draws one row of the list.
class ClipDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {400, 64}; }
};

} // namespace deft::ui
