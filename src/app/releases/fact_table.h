// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of an edition: a row a fact, with where it came from. Typed over in place.
#pragma once

#include <QTableView>

#include "app/control/releases_controller.h"

namespace moorfrost::app {

class FactModel;

class FactTable : public QTableView {
    Q_OBJECT
public:
    explicit FactTable(QWidget* parent = nullptr);
    /// While one types, when that has ended. `oddNumber`: what is odd of its number beside others of the
    /// label; "" for nothing.
    void show(const ShownRelease& release, const std::string& oddNumber = {});
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

signals:
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
    std::optional<std::pair<ShownRelease, std::string>> pending_; // to be shown when the editor is closed
};

/// "read from the files", "typed, 2 Dec", "Cairn, 2 Dec".
QString originText(const library::Fact& fact);

} // namespace moorfrost::app
