#pragma once
#include "app/session/background_job.h"
#include "store/library.h"

#include <QAbstractListModel>
#include <QImage>
#include <QStyledItemDelegate>

namespace deft::ui {

/// The clips of the library, waiting ones first, with a picture of each and what is known about it so far.
class ClipList : public QAbstractListModel {
    Q_OBJECT
public:
    explicit ClipList(Library& library, QObject* parent = nullptr);
    void refresh();

    struct Entry {
        Clip clip;
        Client client;
        QImage picture;
        QString found, exercise;
    };
    const Entry& entry(int row) const { return entries_[size_t(row)]; }
    const Entry* find(int64_t clip) const;
    int waiting() const;

    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;

private:
    Library& library_;
    std::vector<Entry> entries_;
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
