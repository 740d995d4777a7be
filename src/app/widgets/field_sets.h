// SPDX-License-Identifier: GPL-3.0-or-later
// Fields (or columns) that are shown, in an order of the user's own; and such sets under names. Kept with the
// settings of the user.
#pragma once

#include <QDialog>
#include <QMap>

#include <string>
#include <vector>

class QListWidget;
class QLineEdit;
class QPushButton;

namespace moorfrost::app {

struct FieldSet {
    QString name;
    std::vector<std::string> keys;
};

/// Those that are kept under `group` ("describe/columns").
std::vector<FieldSet> fieldSets(const QString& group);
/// In the place of the one of that name.
void keepFieldSet(const QString& group, const FieldSet& set);
void forgetFieldSet(const QString& group, const QString& name);
/// What is shown now; `preset` where nothing was chosen.
std::vector<std::string> shownFields(const QString& group, const std::vector<std::string>& preset);
void setShownFields(const QString& group, const std::vector<std::string>& keys);

class FieldSetDialog : public QDialog {
    Q_OBJECT
public:
    /// `all`: what can be shown; `shown`: what is. `label` tells what each is called.
    FieldSetDialog(const QString& title, const QString& group, std::vector<std::string> all,
                   const std::vector<std::string>& shown, QString (*label)(const std::string&),
                   QWidget* parent = nullptr);
    std::vector<std::string> chosen() const;
    QLineEdit* search() { return search_; }
    void keepAs(const QString& name);

private:
    void add(const std::string& key, int row);
    void addCurrent();
    void removeCurrent();
    void move(int by);
    void narrow();
    void fillSets();

    QString group_;
    std::vector<std::string> all_;
    QString (*label_)(const std::string&);
    QLineEdit* search_;
    QListWidget *offered_, *shown_;
    QPushButton *sets_, *use_;
};

} // namespace moorfrost::app
