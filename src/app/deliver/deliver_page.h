// SPDX-License-Identifier: GPL-3.0-or-later
// Deliver: what goes out of the library. One-sheets so far: what they are of, their sections, the pages as
// they will be, and what is missing of them.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QSplitter>
#include <QWidget>

#include "app/control/sheet_controller.h"
#include "app/widgets/controls.h"
#include "app/widgets/side_lines.h"

class QCheckBox;
class QMenu;

namespace moorfrost::app {

class SectionList;
class SheetPreview;
class SheetSongs;

/// What is missing of a sheet, each a way to where it is entered.
class SheetGaps : public SideLines {
    Q_OBJECT
public:
    using SideLines::SideLines;
    void show(const std::vector<deliver::SheetGap>& gaps);

signals:
    void chosen(const moorfrost::deliver::SheetGap& gap);
};

class DeliverPage : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        LibraryIndex& index;
        FilesController& files;
        DraftsController& drafts;
        SheetController& sheet;
        ReleasesController& releases;
        PeopleController& people;
    };
    explicit DeliverPage(const Uses& use, QWidget* parent = nullptr);

    Choice* layouts() { return layouts_; }
    SheetSongs* songs() { return songs_; }
    SectionList* sections() { return sections_; }
    SheetGaps* gaps() { return gaps_; }
    SheetPreview* preview() { return preview_; }
    QPushButton* pdfButton() { return pdf_; }
    QString told() const { return subject_->text(); }
    QString pageText() const { return page_->text(); }
    /// What is seen is as the library has it.
    bool isTrue() const { return use_.sheet.isTrue(); }
    void takeKeyboard();

    void copyText();
    /// Asks for the name of the file; `ending`: ".pdf", ".html", ".txt", ".json".
    void saveAs(const char* ending);
    /// Asks for the name.
    void keepLayout();

signals:
    void libraryWanted(moorfrost::app::FileId id);

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QWidget* head();
    QWidget* kinds();
    QWidget* middle();
    QWidget* right();
    void fillLayouts();
    void showLayoutMenu();
    void showLayout();
    void showSheet();
    void showPage();
    void goTo(const deliver::SheetGap& gap);
    /// A field of a file, as a draft.
    void askField(FileId file, const std::string& field);

    Uses use_;
    ShortLabel* subject_;
    Choice* layouts_;
    QPushButton* keep_;
    SheetSongs* songs_;
    SectionList* sections_;
    QCheckBox *ownPages_, *showsMissing_;
    SheetGaps* gaps_;
    SheetPreview* preview_;
    QLabel* page_;
    QPushButton *copy_, *save_, *pdf_;
    QWidget *sheet_, *left_;
    EmptyHint* empty_;
};

} // namespace moorfrost::app
