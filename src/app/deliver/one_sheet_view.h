// SPDX-License-Identifier: GPL-3.0-or-later
// A one-sheet: its sections, the pages as they will be, and what is missing of them.
#pragma once

#include <QLabel>
#include <QPushButton>

#include "app/control/sheet_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/widgets/controls.h"
#include "app/widgets/side_lines.h"

class QCheckBox;

namespace moorfrost::app {

class LayoutBar;
class SectionList;
class SheetPreview;

/// What is missing of a sheet, each a way to where it is entered.
class SheetGaps : public SideLines {
    Q_OBJECT
public:
    using SideLines::SideLines;
    void show(const std::vector<deliver::SheetGap>& gaps);

signals:
    void chosen(const moorfrost::deliver::SheetGap& gap);
};

class OneSheetView : public DeliverView {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        FilesController& files;
        DraftsController& drafts;
        Delivering& delivering;
        SheetController& sheet;
        ReleasesController& releases;
        PeopleController& people;
    };
    explicit OneSheetView(const Uses& use, QWidget* parent = nullptr);

    LayoutBar* layouts() { return layouts_; }
    SectionList* sections() { return sections_; }
    SheetGaps* gaps() { return gaps_; }
    SheetPreview* preview() { return preview_; }
    QPushButton* pdfButton() { return pdf_; }
    QString pageText() const { return page_->text(); }
    QWidget* headPart() override;
    void takeKeyboard() override;
    bool isTrue() const override { return use_.sheet.isTrue(); }

    void copyText();
    /// Asks for the name of the file; `ending`: ".pdf", ".html", ".txt", ".json".
    void saveAs(const char* ending);

protected:
    void setInSight(bool inSight) override { use_.sheet.setInSight(inSight); }

private:
    QWidget* middle();
    QWidget* right();
    void showLayout();
    void showSheet();
    void showPage();
    void goTo(const deliver::SheetGap& gap);
    /// A field of a file, as a draft.
    void askField(FileId file, const std::string& field);

    Uses use_;
    LayoutBar* layouts_;
    SectionList* sections_;
    QCheckBox *ownPages_, *showsMissing_;
    SheetGaps* gaps_;
    SheetPreview* preview_;
    ShortLabel* page_;
    QPushButton *copy_, *save_, *pdf_;
    QWidget* sheet_;
    EmptyHint* empty_;
};

} // namespace moorfrost::app
