// SPDX-License-Identifier: GPL-3.0-or-later
// Settings as a file: what of it goes out, or is taken in, kind by kind.
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QPushButton>

#include "app/control/library_settings.h"
#include "core/library/settings_file.h"

class QLabel;

namespace moorfrost::app {

class SettingsFileDialog : public QDialog {
    Q_OBJECT
public:
    struct Kind {
        std::string key;
        QString name;
        size_t entries = 0;
    };
    SettingsFileDialog(const QString& title, const QString& what, const QString& take,
                       const std::vector<Kind>& kinds, QWidget* parent = nullptr);
    /// Keys of groups (library/settings_file).
    std::vector<std::string> chosen() const;
    QCheckBox* box(const std::string& key) const;
    QPushButton* takeButton() { return take_; }

private:
    std::vector<std::pair<std::string, QCheckBox*>> boxes_;
    QPushButton* take_;
};

/// The buttons in Settings.
class SettingsFilePart : public QWidget {
    Q_OBJECT
public:
    explicit SettingsFilePart(LibrarySettings& settings, QWidget* parent = nullptr);

    /// After a choice of what; a sentence where that fails, "" where all is well or nothing was chosen.
    QString saveTo(const Path& file);
    QString takeFrom(const Path& file);
    QString told() const;

private:
    void save();
    void take();
    void tell(const QString& sentence, bool trouble);
    static std::vector<SettingsFileDialog::Kind> kindsOf(const library::SettingsTaken& settings);

    LibrarySettings& settings_;
    QLabel* told_;
};

} // namespace moorfrost::app
