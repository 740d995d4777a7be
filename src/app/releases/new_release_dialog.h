// SPDX-License-Identifier: GPL-3.0-or-later
// A new release: typed, filled from a source, or made of another edition. What is like it in the library is
// shown while one types.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QTimer>

#include "app/releases/source_picker.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

class NewReleaseDialog : public QDialog {
    Q_OBJECT
public:
    /// `edition`: the release of which it is another edition; nullptr: of none.
    NewReleaseDialog(const SourcePicker::Uses& use, const library::ReleaseView* edition,
                     QWidget* parent = nullptr);

    /// The box in which a fact is typed: "title", "credit", "labels", "dates", "barcode", "edition"; the
    /// carrier is "media".
    QLineEdit* box(const std::string& key) const;
    QListWidget* alike() { return alike_; }
    QPushButton* fillButton() { return fill_; }
    QPushButton* enterButton() { return enter_; }
    QString tracksText() const { return tracks_->text(); }
    QString troubleText() const { return trouble_->text(); }

    library::ReleaseFilling filling() const;
    /// Of which it is an edition; without number and files: of none.
    library::ReleaseRef set() const;

private:
    void takeSource();
    void lookAlike();
    void check();
    std::vector<std::string> valuesOf(const std::string& key) const;

    SourcePicker::Uses use_;
    std::map<std::string, QLineEdit*> boxes_;
    std::map<std::string, std::vector<std::string>> others_; // facts of the source that have no box
    std::vector<library::MediumToKeep> media_;
    library::ReleaseSource source_;
    std::optional<library::ReleaseRef> edition_;
    QListWidget* alike_;
    std::vector<library::ReleaseRef> alikeRefs_; // of the lines of alike_ from the second on
    QLabel *tracks_, *trouble_;
    QPushButton *fill_, *enter_;
    QTimer later_;
    QString warning_;    // of one that may be this one
    bool asked_ = false; // what it is an edition of: a person sees the answer
};

} // namespace moorfrost::app
