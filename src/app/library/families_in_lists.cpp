// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/families_in_lists.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QCoreApplication>
#include <QDialog>
#include <QDialogButtonBox>
#include <QPushButton>
#include <QRadioButton>
#include <QSettings>
#include <QVBoxLayout>

#include <algorithm>
#include <map>
#include <set>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/library/families/version_names.h"
#include "core/library/search/joint_field.h"
#include "core/library/store/family_table.h"

namespace moorfrost::app {

namespace {

using library::FileId;
using library::Row;

const char* settingName = "families/in lists";

struct FamilyTexts {
    Q_DECLARE_TR_FUNCTIONS(FamilyTexts)
};

/// The versions of leads that are chosen without them: by the lead, in the order of the kinds.
struct Hidden {
    std::map<FileId, std::vector<Row>> versions, stems;
    size_t families() const {
        std::set<FileId> leads;
        for (const auto* some : {&versions, &stems})
            for (const auto& [lead, rows] : *some)
                leads.insert(lead);
        return leads.size();
    }
};

Hidden hiddenUnder(const library::Searcher& library, const std::vector<FileId>& files) {
    Hidden out;
    const library::JointField &families = library.field(library::familyColumn),
                              &versions = library.field(library::versionColumn);
    std::map<uint32_t, FileId> leads;
    std::set<uint32_t> several;
    for (const FileId file : files)
        if (const auto row = library.rowOf(file))
            if (const uint32_t family = families.listOf(*row); family != 0) {
                if (versions.text(versions.listOf(*row)) == library::leadVersion && !leads.contains(family))
                    leads[family] = file;
                else
                    several.insert(family);
            }
    for (const uint32_t family : several)
        leads.erase(family);
    if (leads.empty())
        return out;
    std::map<FileId, std::vector<std::pair<size_t, Row>>> found;
    const auto& kinds = library::versionKinds();
    library.all().each([&](Row row) {
        const auto lead = leads.find(families.listOf(row));
        if (lead == leads.end() || library.idOf(row) == lead->second)
            return;
        std::string kind = versions.text(versions.listOf(row));
        if (const size_t details = kind.find(" " + std::string(tags::valueBreak));
            details != std::string::npos)
            kind.resize(details);
        if (kind != library::leadVersion) // the same in another quality
            found[lead->second].emplace_back(std::ranges::find(kinds, kind) - kinds.begin(), row);
    });
    for (auto& [lead, rows] : found) {
        std::ranges::stable_sort(rows, {}, &std::pair<size_t, Row>::first);
        for (const auto& [kind, row] : rows)
            (kind < kinds.size() && kinds[kind] == library::stemVersion ? out.stems : out.versions)[lead]
                .push_back(row);
    }
    return out;
}

/// What a person says; nullopt: nothing.
std::optional<GoesAlong> ask(const library::Searcher& library, const Hidden& hidden, QWidget* window) {
    QDialog dialog(window);
    dialog.setWindowTitle(FamilyTexts::tr("Versions"));
    const size_t families = hidden.families();
    const FileId first =
        hidden.versions.empty() ? hidden.stems.begin()->first : hidden.versions.begin()->first;
    size_t versions = 0, stems = 0;
    for (const auto& [lead, rows] : hidden.versions)
        versions += rows.size();
    for (const auto& [lead, rows] : hidden.stems)
        stems += rows.size();
    auto* question = label(families == 1 ? FamilyTexts::tr("\u201C%1\u201D has versions. What goes along?")
                                               .arg(qs(library.text(*library.rowOf(first), "title")))
                                         : FamilyTexts::tr("%n of the tracks have versions. What goes along?",
                                                           "", static_cast<int>(families)),
                           "strong");
    question->setWordWrap(true);
    auto* layout = new QVBoxLayout(&dialog);
    layout->setContentsMargins(18, 16, 18, 14);
    layout->setSpacing(8);
    layout->addWidget(question);
    QButtonGroup choices;
    auto add = [&](GoesAlong goes, const QString& text) {
        auto* button = new QRadioButton(text);
        choices.addButton(button, static_cast<int>(goes));
        layout->addWidget(button);
        return button;
    };
    add(GoesAlong::LeadOnly, FamilyTexts::tr("The lead only"))->setChecked(true);
    if (versions > 0)
        add(GoesAlong::Versions, FamilyTexts::tr("The lead with its versions (%1 more)").arg(versions));
    if (stems > 0)
        add(GoesAlong::Stems,
            FamilyTexts::tr("The lead with its versions and stems (%1 more)").arg(versions + stems));
    auto* remember = new QCheckBox(FamilyTexts::tr("Always so, without asking"));
    remember->setToolTip(FamilyTexts::tr("To be changed in the menu Library, Versions in lists"));
    layout->addSpacing(6);
    layout->addWidget(remember);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(FamilyTexts::tr("Add"));
    QObject::connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    QObject::connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    layout->addSpacing(6);
    layout->addWidget(buttons);
    if (dialog.exec() != QDialog::Accepted)
        return std::nullopt;
    const auto goes = static_cast<GoesAlong>(choices.checkedId());
    if (remember->isChecked())
        setFamiliesInLists(goes);
    return goes;
}

} // namespace

GoesAlong familiesInLists() {
    const QString kept = QSettings().value(settingName).toString();
    return kept == "lead"       ? GoesAlong::LeadOnly
           : kept == "versions" ? GoesAlong::Versions
           : kept == "stems"    ? GoesAlong::Stems
                                : GoesAlong::Ask;
}

void setFamiliesInLists(GoesAlong goes) {
    QSettings().setValue(settingName, goes == GoesAlong::LeadOnly   ? "lead"
                                      : goes == GoesAlong::Versions ? "versions"
                                      : goes == GoesAlong::Stems    ? "stems"
                                                                    : "ask");
}

std::optional<std::vector<FileId>> withVersions(const library::Searcher& library,
                                                const std::vector<FileId>& files, QWidget* window) {
    GoesAlong goes = familiesInLists();
    if (goes == GoesAlong::LeadOnly)
        return files;
    const Hidden hidden = hiddenUnder(library, files);
    if (hidden.versions.empty() && hidden.stems.empty())
        return files;
    if (goes == GoesAlong::Ask) {
        const auto said = ask(library, hidden, window);
        if (!said)
            return std::nullopt;
        goes = *said;
    }
    if (goes == GoesAlong::LeadOnly)
        return files;
    std::vector<FileId> out;
    std::set<FileId> done;
    for (const FileId file : files) {
        out.push_back(file);
        if (!done.insert(file).second)
            continue;
        auto addRows = [&](const std::map<FileId, std::vector<Row>>& some) {
            if (const auto rows = some.find(file); rows != some.end())
                for (const Row row : rows->second)
                    out.push_back(library.idOf(row));
        };
        addRows(hidden.versions);
        if (goes == GoesAlong::Stems)
            addRows(hidden.stems);
    }
    return out;
}

} // namespace moorfrost::app
