// SPDX-License-Identifier: GPL-3.0-or-later
// Narrowing: the values of some fields with how many tracks of the result have each. A click asks for the
// value, or no longer. The counts of a field disregard what is chosen of that field itself, so that another
// can be chosen beside it.
#pragma once

#include <QTreeWidget>

#include "app/control/files_controller.h"
#include "core/library/search/searcher.h"

namespace moorfrost::app {

struct FacetCounts {
    std::string key;
    std::vector<library::FacetValue> values;
};

class FacetPanel : public QTreeWidget {
    Q_OBJECT
public:
    explicit FacetPanel(QWidget* parent = nullptr);

    /// Those that the person has picked, in their order.
    const std::vector<std::string>& keys() const { return keys_; }
    /// How many values of a facet are shown, and so have to be counted.
    size_t mostOf(const std::string& key) const;
    void show(const library::Query& query, const std::vector<FacetCounts>& facets);
    /// A menu of all facets at the place; the choice is remembered.
    void chooseFacets(const QPoint& global);
    /// Whether readiness is known; until then it says that it is worked out.
    void setMeasured(bool measured) { measured_ = measured; }
    void setCustomFields(std::vector<std::string> keys) { custom_ = std::move(keys); }

    /// The fields whose absence the facet "missing" counts.
    static const std::vector<std::string>& missingKeys();

signals:
    void chosen(const std::string& field, const std::string& value);
    void keysChanged(); // or how many values are shown

protected:
    void contextMenuEvent(QContextMenuEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void activate(QTreeWidgetItem* item);
    std::vector<std::string> keys_, custom_;
    bool measured_ = false;
    std::set<std::string> unfolded_; // facets that show more than a few values
};

} // namespace moorfrost::app
