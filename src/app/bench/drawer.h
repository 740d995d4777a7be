// SPDX-License-Identifier: GPL-3.0-or-later
// The drawer: all selected files together, field by field, with their pictures.
#pragma once

#include <QFrame>
#include <QLabel>

#include "app/bench/picture_box.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/places_controller.h"
#include "app/control/value_books.h"

class QGridLayout;
class QMenu;

namespace moorfrost::app {

class FieldBox;
class ShortLabel;

class Drawer : public QFrame {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        CustomFields& customFields;
        PicturesController& pictures;
        ValueBooks& values;
    };

    Drawer(const Uses& use, QWidget* parent = nullptr);
    void setFiles(const std::vector<FileId>& files);
    PictureBox* pictures() { return pictures_; }
    const std::vector<std::string>& fields() const { return keys_; }
    /// Every field of the chosen files blank, as drafts.
    void clearAll();
    QSize sizeHint() const override { return {300, 400}; }
    /// These fields, in this order.
    void showFields(std::vector<std::string> keys);

signals:
    void refused(const QString& sentence);
    void referencePicturesWanted();
    /// In a field: what is proposed for these files now.
    void typed(const std::vector<moorfrost::app::FileId>& files, const std::string& key,
               const std::vector<std::string>& values);

private:
    void rebuildFields();
    void chooseFields();
    void fillLayouts(QMenu* menu);
    std::vector<std::string> allKeys() const;
    void addField(const std::string& key);

    Uses use_;
    std::vector<FileId> files_;
    std::vector<std::string> keys_;
    PictureBox* pictures_;
    QLabel* count_;
    QWidget* form_;
    QGridLayout* grid_;
    std::vector<FieldBox*> boxes_;
};

} // namespace moorfrost::app
