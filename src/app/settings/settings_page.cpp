// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/settings_page.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QFileDialog>
#include <QGridLayout>
#include <QInputDialog>
#include <QLocale>
#include <QMessageBox>
#include <QRadioButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QSettings>
#include <QVBoxLayout>

#include "app/settings/custom_field_list.h"
#include "app/settings/follow_shelf.h"
#include "app/settings/library_place.h"
#include "app/settings/mirror_rules.h"
#include "app/settings/reference_list.h"
#include "app/settings/settings_file_dialog.h"
#include "app/settings/standard_editor.h"
#include "app/shell/display_scale.h"
#include "app/shell/language.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

SettingsPage::SettingsPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* head = new QHBoxLayout;
    head->addWidget(label(tr("Settings"), "title"));
    head->addStretch();
    auto* content = new QWidget;
    content->setMaximumWidth(900);
    auto* column = new QVBoxLayout(content);
    column->setContentsMargins(24, 20, 24, 20);
    column->setSpacing(6);
    auto section = [&](const QString& title, const QString& text) {
        auto* l = label(title, "");
        l->setFont(theme::uiFont(14, QFont::DemiBold));
        column->addWidget(l);
        auto* t = label(text, "quiet");
        t->setWordWrap(true);
        column->addWidget(t);
        column->addSpacing(4);
    };

    // One of several, kept with the library.
    auto choices = [&]<class T>(std::initializer_list<std::pair<QString, T>> all,
                                const library::Setting<T>& setting) {
        auto* group = new QButtonGroup(this);
        for (const auto& [name, value] : all) {
            // "Portable: also for sticks": what it is called, and below it what it means.
            auto* radio = new QRadioButton(name.section(": ", 0, 0));
            radio->setAccessibleName(name);
            radio->setProperty("key", qs(library::settingText(value)));
            group->addButton(radio);
            column->addWidget(radio);
            if (const QString more = name.section(": ", 1); !more.isEmpty()) {
                auto* means = label(more.left(1).toUpper() + more.mid(1), "quiet");
                means->setWordWrap(true);
                means->setContentsMargins(24, 0, 0, 4);
                column->addWidget(means);
            }
            auto show = [this, radio, &setting, value = value] {
                radio->setChecked(use_.settings.get(setting) == value);
            };
            show();
            connect(&use_.settings, &LibrarySettings::loaded, radio, show);
            connect(radio, &QRadioButton::clicked, this,
                    [this, &setting, value = value] { use_.settings.set(setting, value); });
        }
    };
    section(tr("Appearance"), tr("Light and dark have the same contrast."));
    auto* look = new QButtonGroup(this);
    const std::pair<QString, const char*> looks[] = {{tr("As the system"), "system"},
                                                     {tr("Frost (light)"), "light"},
                                                     {tr("Night moor (dark)"), "dark"},
                                                     {tr("High contrast (black on white)"), "contrast"}};
    for (const auto& [name, key] : looks) {
        auto* radio = new QRadioButton(name);
        radio->setChecked(QSettings().value("theme", "system").toString() == key);
        look->addButton(radio);
        column->addWidget(radio);
        connect(radio, &QRadioButton::clicked, this, [this, key = QString(key)] {
            QSettings().setValue("theme", key);
            theme::apply(theme::choiceFromKey(key));
            emit themeChanged();
        });
    }
    column->addSpacing(20);
    section(tr("Size"), tr("Of everything in the window, from the next start on."));
    auto* sizes = new QButtonGroup(this);
    for (const int percent : display_scale::all()) {
        auto* radio = new QRadioButton(tr("%1 %").arg(percent));
        radio->setChecked(display_scale::chosen() == percent);
        radio->setProperty("percent", percent);
        sizes->addButton(radio);
        column->addWidget(radio);
        connect(radio, &QRadioButton::clicked, this, [percent] { display_scale::choose(percent); });
    }
    column->addSpacing(20);
    section(tr("Language"), tr("Of the window and the manual, from the next start on."));
    auto* languages = new QButtonGroup(this);
    for (const auto& [key, name] : language::all()) {
        auto* radio = new QRadioButton(name);
        radio->setChecked(language::chosen() == key);
        radio->setProperty("key", key);
        languages->addButton(radio);
        column->addWidget(radio);
        connect(radio, &QRadioButton::clicked, this, [key = key] { language::choose(key); });
    }
    column->addSpacing(20);
    section(tr("Standards"),
            tr("What a ready release has. The tally of a sleeve has one mark for each rule, in this order. "
               "Idents, tones and other files that are not music are not asked."));
    standards_ = new StandardEditor({use_.settings, use_.standards, use_.customFields, use_.sleeves});
    column->addWidget(standards_);
    column->addSpacing(20);
    section(
        tr("Custom fields"),
        tr("Fields beside the usual ones: with a label, a kind, maybe a list to choose from, and a name in "
           "files. Then they are fields like any other."));
    column->addWidget(new CustomFieldList(use_.customFields));
    column->addSpacing(20);
    section(tr("Mirroring"),
            tr("What the library keeps of recordings, and the field of tags that it becomes. In the library "
               "\u201CMirror to tags\u201D makes drafts of it; nothing is written before you say so."));
    column->addWidget(new MirrorRules(use_.settings));
    auto* goes =
        label(tr("What a release says goes into the tags of its files by \u201CWrite to the files\u201D:"),
              "quiet");
    goes->setWordWrap(true);
    column->addWidget(goes);
    column->addWidget(new ReleaseMirrorRules(use_.settings));
    column->addSpacing(20);
    section(tr("References"),
            tr("Catalogues in which releases are looked up, in the order in which they are asked. "
               "What they tell becomes drafts, never more."));
    references_ = new ReferenceList(use_.references);
    column->addWidget(references_);
    column->addSpacing(20);
    section(tr("Names on shelves"), tr("What the names of files and folders must suit. A value can never "
                                       "leave its shelf, whichever is chosen."));
    using files::NameProfile;
    choices.operator()<NameProfile>(
        {{tr("Portable: also for sticks and other systems. : becomes -, ? and * are left out, no trailing "
             "dots"),
          NameProfile::Portable},
         {tr("Linux: everything but / is kept"), NameProfile::Linux},
         {tr("Strict ASCII: portable, in plain letters"), NameProfile::StrictAscii}},
        library::settings::names);
    column->addSpacing(20);
    section(tr("Searching"), tr("Where the words that are typed are looked for. What is asked of a field is "
                                "found anywhere in its value."));
    using library::WordPlaces;
    choices.operator()<WordPlaces>(
        {{tr("Anywhere: \"lock\" also finds \"Hemlock\""), WordPlaces::Anywhere},
         {tr("At the beginnings of words: \"lock\" finds \"Locks\", but not \"Hemlock\""),
          WordPlaces::Beginnings}},
        library::settings::words);
    column->addSpacing(20);
    section(tr("Shelves"), tr("The root folders in which put-away files live."));
    shelves_ = new QGridLayout;
    shelves_->setColumnStretch(1, 1);
    shelves_->setHorizontalSpacing(12);
    column->addLayout(shelves_);
    auto* add = button(tr("Add a shelf\u2026"));
    column->addSpacing(4);
    column->addWidget(add, 0, Qt::AlignLeft);
    column->addSpacing(20);
    section(tr("Writing"),
            tr("Files are changed in place where there is room, otherwise built anew beside the old "
               "one. Their sound never changes."));
    keepTimes_ = new QCheckBox(tr("Files keep their time of change when their tags are written"));
    keepTimes_->setToolTip(tr("Off: other programs and backups see that the file has changed."));
    keepTimes_->setObjectName("keep times");
    column->addWidget(keepTimes_);
    column->addSpacing(20);
    section(tr("Journal"),
            tr("What writing replaced is kept, so that it can be taken back. When there is more than "
               "this, the oldest goes with the next write; Review says so before."));
    historyLimit_ = new Choice;
    historyLimit_->setAccessibleName(tr("How much the journal keeps"));
    historyLimit_->setObjectName("history limit");
    for (uint64_t megabytes : {500u, 1000u, 2000u, 5000u, 10000u, 50000u})
        historyLimit_->addItem(QLocale().formattedDataSize(static_cast<qint64>(megabytes * 1000000), 0,
                                                           QLocale::DataSizeSIFormat),
                               QString::number(megabytes * 1000000));
    column->addWidget(captioned(tr("Keep up to"), {historyLimit_}), 0, Qt::AlignLeft);
    historyUse_ = label({}, "quiet");
    historyUse_->setWordWrap(true);
    column->addWidget(historyUse_);
    column->addSpacing(20);
    section(
        tr("Settings as a file"),
        tr("Plans, standards, chains of steps, custom fields, layouts and rules, to be handed on, or to be "
           "had on another machine."));
    file_ = new SettingsFilePart(use_.settings);
    column->addWidget(file_);
    column->addSpacing(20);
    section(tr("The library"), tr("Of what is known of your files. A copy of it is made each day."));
    auto* place = new LibraryPlace(use_.care.file());
    column->addWidget(place);
    connect(place, &LibraryPlace::wanted, this, &SettingsPage::libraryMoveWanted);
    column->addStretch();

    scroll_ = new QScrollArea;
    scroll_->setAccessibleName(tr("Settings"));
    scroll_->setObjectName("panel");
    scroll_->setWidgetResizable(true);
    scroll_->setWidget(content);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(scroll_, 1);
    connect(add, &QPushButton::clicked, this, &SettingsPage::shelfWanted);
    connect(&use_.shelves, &ShelvesController::changed, this, &SettingsPage::refreshShelves);
    connect(keepTimes_, &QCheckBox::clicked, this,
            [this](bool on) { use_.settings.set(library::settings::keepTimes, on); });
    connect(historyLimit_, &QComboBox::activated, this, [this](int i) {
        use_.settings.set(library::settings::historyLimit, historyLimit_->itemData(i).toLongLong());
        use_.journal.refresh();
    });
    connect(&use_.journal, &JournalController::changed, this, &SettingsPage::refreshJournal);
    connect(&use_.settings, &LibrarySettings::loaded, this, &SettingsPage::refreshJournal);
    refreshShelves();
}

void SettingsPage::showStandards() {
    standards_->show(use_.standards.ofBatch().name);
    scroll_->widget()->layout()->activate();
    // Its heading, too.
    scroll_->verticalScrollBar()->setValue(standards_->y() - 80);
    standards_->setFocus();
}

void SettingsPage::refreshJournal() {
    keepTimes_->setChecked(use_.settings.get(library::settings::keepTimes));
    const library::HistoryUse& use = use_.journal.use();
    auto size = [](uint64_t bytes) {
        return QLocale().formattedDataSize(static_cast<qint64>(bytes), 1, QLocale::DataSizeSIFormat);
    };
    // The choice that is nearest to what is set: the limit may have been set from elsewhere.
    int best = 0;
    for (int i = 0; i < historyLimit_->count(); ++i)
        if (historyLimit_->itemData(i).toULongLong() <= use.limit)
            best = i;
    historyLimit_->setCurrentIndex(best);
    QString text =
        tr("%1 are kept now, in the library: %2.").arg(size(use.used), shownPath(use_.care.file()));
    if (!use.next.empty())
        text += " " + tr("With the next write the %n oldest set(s) can no longer be taken back.", "",
                         static_cast<int>(use.next.size()));
    historyUse_->setText(text);
}

void SettingsPage::refreshShelves() {
    while (QLayoutItem* item = shelves_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    int row = 0;
    for (const library::Shelf& s : use_.shelves.all()) {
        auto* name = label(qs(s.name), "");
        name->setFont(theme::uiFont(13, QFont::Medium));
        auto* path = new ShortLabel(shownPath(s.path));
        path->setObjectName("mono");
        const bool there = !use_.shelves.notThere().contains(s.id);
        if (!there) {
            auto* gone = label(tr("not there: is its disk mounted?"), "attention");
            auto* where = new QWidget;
            auto* line = new QHBoxLayout(where);
            line->setContentsMargins(0, 0, 0, 0);
            line->addWidget(path, 1);
            line->addWidget(gone);
            shelves_->addWidget(where, row, 1);
        }
        auto* read = button(tr("Read again"), "flat");
        read->setToolTip(tr("Looks for files that are new in its folders, or were changed by others"));
        auto* moved = button(tr("Moved\u2026"), "flat");
        moved->setToolTip(tr("Its folder is at another place now: the library follows"));
        auto* rename = button(tr("Rename\u2026"), "flat");
        auto* remove = button(tr("Remove\u2026"), "flat");
        shelves_->addWidget(name, row, 0);
        if (there)
            shelves_->addWidget(path, row, 1);
        shelves_->addWidget(read, row, 2);
        shelves_->addWidget(moved, row, 3);
        shelves_->addWidget(rename, row, 4);
        shelves_->addWidget(remove, row, 5);
        connect(moved, &QPushButton::clicked, this, [this, s] {
            const QString to = QFileDialog::getExistingDirectory(
                this, tr("Where is the shelf \u201C%1\u201D now?").arg(qs(s.name)));
            if (!to.isEmpty())
                followShelf(this, use_.shelves, s, Path(ss(to)));
        });
        connect(read, &QPushButton::clicked, this, [this, s] { use_.shelves.read({s}); });
        connect(rename, &QPushButton::clicked, this, [this, s] {
            QString n = QInputDialog::getText(this, tr("Rename the shelf"), tr("Name:"), QLineEdit::Normal,
                                              qs(s.name))
                            .simplified();
            if (!n.isEmpty())
                use_.shelves.rename(s.id, n);
        });
        connect(remove, &QPushButton::clicked, this, [this, s] {
            if (QMessageBox::question(
                    this, tr("Remove the shelf"),
                    tr("The library forgets the files on \"%1\". The files themselves stay where they are.")
                        .arg(qs(s.name)),
                    QMessageBox::Ok | QMessageBox::Cancel) == QMessageBox::Ok)
                use_.shelves.remove(s.id);
        });
        ++row;
    }
    if (row == 0)
        shelves_->addWidget(label(tr("None yet."), "third"), 0, 0);
}

} // namespace moorfrost::app
