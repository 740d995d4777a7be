// SPDX-License-Identifier: GPL-3.0-or-later
// The table of what is mirrored to tags: of each fact that the library keeps, the field that it becomes.
#pragma once

#include <QCheckBox>
#include <QWidget>

#include <map>

#include "app/control/library_settings.h"

namespace moorfrost::app {

class FieldPicker;

class MirrorRules : public QWidget {
    Q_OBJECT
public:
    explicit MirrorRules(LibrarySettings& settings, QWidget* parent = nullptr);
    FieldPicker* picker(const std::string& kept) { return pickers_[kept]; }

private:
    void load();
    void keep();

    LibrarySettings& settings_;
    std::map<std::string, FieldPicker*> pickers_;
};

/// Which facts of releases go into tags: all that have a field, but for those that a person leaves out.
class ReleaseMirrorRules : public QWidget {
    Q_OBJECT
public:
    explicit ReleaseMirrorRules(LibrarySettings& use, QWidget* parent = nullptr);
    QCheckBox* box(const std::string& key) { return boxes_.at(key); }

private:
    void load();
    void keep();

    LibrarySettings& settings_;
    std::map<std::string, QCheckBox*> boxes_;
};

} // namespace moorfrost::app
