// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of something (an edition, a party, a work): a row a fact, with where it came from. Typed over
// in place.
#pragma once

#include <QTableView>

#include <optional>
#include <string>
#include <vector>

namespace moorfrost::app {

/// A fact, as it is shown and typed.
struct FactRow {
    std::string key;
    QString caption;
    QString shown;                    // where it is known
    QString typing;                   // what its editor begins with
    bool known = false, none = false; // none: known to be none
    QString origin, whence;           // in short, and in full
    QString odd;                      // what is odd of it
    QString inFiles;                  // where the files say something else
    bool editable = true;
    QString note; // why it is not, or what else there is to know
    QString hint; // how it is typed
    QStringList choices;
    bool isUsual = false;      // it has a row even where nothing is known
    bool isCode = false;       // with check digits
    bool mayBeNone = false;    // that there is none can be said
    bool mayBeUnknown = true;  // it can be taken away
    bool mayBeDropped = false; // the files tell it again
};

class FactModel;

class FactTable : public QTableView {
    Q_OBJECT
public:
    explicit FactTable(QWidget* parent = nullptr);
    /// While one types, when that has ended.
    void show(std::vector<FactRow> rows);
    /// Facts of which nothing is known have rows, too.
    void setShowsAll(bool on);
    bool showsAll() const;
    /// How many facts are not shown because nothing is known of them.
    int hidden() const;
    /// Starts typing; the fact gets a row where it has none. False where there is no such fact.
    bool editFact(const std::string& key);
    /// The text of a cell, as a person reads it.
    QString textOf(const std::string& key, int column = 1) const;
    QSize sizeHint() const override;

    /// An editor is open: what is typed is of what is shown.
    bool isEditing() const { return state() == EditingState; }

signals:
    /// And what was typed has been told.
    void editorClosed();
    void typed(const std::string& key, const QString& line);
    void noneWanted(const std::string& key);
    void dropWanted(const std::string& key);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) override;

private:
    void fit();

    FactModel* model_;
    std::optional<std::vector<FactRow>> pending_; // to be shown when the editor is closed
};

} // namespace moorfrost::app
