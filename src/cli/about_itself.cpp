// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/about_itself.h"

#include <fmt/format.h>

#include "cli/program.h"
#include "core/base/version.h"
#include "core/text/man_page.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

std::vector<const CLI::App*> commandsOf(const CLI::App& app) {
    return app.get_subcommands([](const CLI::App*) { return true; });
}

struct Word {
    std::vector<std::string> spellings; // "--plan"; of what goes without one, none
    std::string name;                   // of what goes without one
    std::string text;
    std::vector<std::string> values; // the only ones that there are
    bool takesValue = false, required = false, several = false;
};

std::vector<Word> wordsOf(const CLI::App& app) {
    std::vector<Word> out;
    for (const CLI::Option* option : app.get_options()) {
        Word word;
        for (const std::string& one : option->get_snames())
            word.spellings.push_back("-" + one);
        for (const std::string& one : option->get_lnames())
            word.spellings.push_back("--" + one);
        word.name = option->get_name(true, false);
        word.text = option->get_description();
        word.takesValue = option->get_items_expected_max() > 0;
        word.required = option->get_required();
        word.several = option->get_items_expected_max() > 1;
        const std::string type = option->get_type_name(); // "TEXT:{a,b}" where there are only some
        const size_t open = type.find('{'), close = type.rfind('}');
        if (open != std::string::npos && close != std::string::npos && open < close)
            word.values = text::split(type.substr(open + 1, close - open - 1), ",");
        out.push_back(std::move(word));
    }
    return out;
}

constexpr size_t fewValues = 5; // that are told in the line; more stand in the text

bool hasFew(const Word& word) {
    return !word.values.empty() && word.values.size() <= fewValues;
}

std::string valueOf(const Word& word) {
    return hasFew(word) ? text::join(word.values, "|") : std::string("VALUE");
}

std::string textOf(const Word& word) {
    return word.values.size() > fewValues ? word.text + ". One of: " + text::join(word.values, ", ")
                                          : word.text;
}

/// As it is typed.
std::string usageOf(const CLI::App& app) {
    std::string out;
    for (const Word& word : wordsOf(app))
        if (word.spellings.empty()) {
            const std::string all =
                (hasFew(word) ? text::join(word.values, "|") : word.name) + (word.several ? " ..." : "");
            out += word.required ? " " + all : " [" + all + "]";
        }
    return out;
}

text::ManSection sectionOf(const CLI::App& app) {
    text::ManSection out;
    out.title = app.get_name() + usageOf(app);
    out.text = app.get_description() + ".";
    out.below = true;
    for (const Word& word : wordsOf(app))
        if (word.spellings.empty())
            out.entries.push_back({word.name, textOf(word)});
        else if (word.name != "--help" && word.spellings.back() != "--help")
            out.entries.push_back(
                {text::join(word.spellings, ", ") + (word.takesValue ? " " + valueOf(word) : ""),
                 textOf(word)});
    return out;
}

/// Between single quotes, for a POSIX shell.
std::string quoted(const std::string& plain) {
    return "'" + text::replaceAll(plain, "'", "'\\''") + "'";
}

std::string spellingsOf(const CLI::App& app) {
    std::vector<std::string> all;
    for (const Word& word : wordsOf(app))
        all.insert(all.end(), word.spellings.begin(), word.spellings.end());
    return text::join(all, " ");
}

/// The words that may stand without an option.
std::string plainValuesOf(const CLI::App& app) {
    std::vector<std::string> all;
    for (const Word& word : wordsOf(app))
        if (word.spellings.empty())
            all.insert(all.end(), word.values.begin(), word.values.end());
    return text::join(all, " ");
}

std::string bashCompletion(const CLI::App& app) {
    std::vector<std::string> names;
    std::string perCommand;
    for (const CLI::App* command : commandsOf(app)) {
        names.push_back(command->get_name());
        std::string values;
        for (const Word& word : wordsOf(*command))
            if (!word.spellings.empty() && !word.values.empty())
                values += fmt::format("                {}) words='{}'; options= ;;\n",
                                      text::join(word.spellings, "|"), text::join(word.values, " "));
        perCommand += fmt::format("        {})\n            options='{}'\n            words='{}'\n",
                                  command->get_name(), spellingsOf(*command) + " " + spellingsOf(app),
                                  plainValuesOf(*command));
        if (!values.empty())
            perCommand += "            case $before in\n" + values + "            esac\n";
        perCommand += "            ;;\n";
    }
    return fmt::format(R"(# What bash completes of moorfrost-cli. Printed by: moorfrost-cli completion bash
_moorfrost_cli() {{
    local now=${{COMP_WORDS[COMP_CWORD]}} before=${{COMP_WORDS[COMP_CWORD-1]}} command= options words i
    local commands='{}'
    for ((i = 1; i < COMP_CWORD; ++i)); do
        case ${{COMP_WORDS[i]}} in
        --library) ((++i)) ;;
        -*) ;;
        *) command=${{COMP_WORDS[i]}}; break ;;
        esac
    done
    case $command in
        '') options='{}'; words=$commands ;;
{}    esac
    if [[ $now == -* ]]; then words=$options; fi
    COMPREPLY=($(compgen -W "$words" -- "$now"))
}}
complete -o default -F _moorfrost_cli moorfrost-cli
)",
                       text::join(names, " "), spellingsOf(app), perCommand);
}

/// In a description of _arguments, a colon and brackets mean something.
std::string forZsh(const std::string& plain) {
    std::string out;
    for (const char c : plain) {
        if (c == '[' || c == ']' || c == ':' || c == '\\')
            out += '\\';
        out += c;
    }
    return out;
}

std::string zshArguments(const CLI::App& app) {
    std::string out;
    for (const Word& word : wordsOf(app)) {
        const std::string values = word.values.empty() ? "_files" : "(" + text::join(word.values, " ") + ")";
        if (word.spellings.empty()) {
            out += " \\\n        " + quoted((word.several ? "*:" : ":") + forZsh(word.name) + ":" + values);
            continue;
        }
        for (const std::string& spelling : word.spellings)
            out +=
                " \\\n        " + quoted((word.takesValue ? "*" : "") + spelling + "[" + forZsh(word.text) +
                                         "]" + (word.takesValue ? ":value:" + values : ""));
    }
    return out;
}

std::string zshCompletion(const CLI::App& app) {
    std::string names, perCommand;
    for (const CLI::App* command : commandsOf(app)) {
        names += "        " + quoted(forZsh(command->get_name()) + ":" + command->get_description()) + "\n";
        perCommand += "    (" + command->get_name() + ") _arguments" + zshArguments(*command) + " ;;\n";
    }
    return fmt::format(R"(#compdef moorfrost-cli
# What zsh completes of moorfrost-cli. Printed by: moorfrost-cli completion zsh
_moorfrost_cli() {{
    local -a commands
    commands=(
{}    )
    local context state state_descr line
    typeset -A opt_args
    _arguments -C{} '1: :->command' '*:: :->rest'
    case $state in
    (command) _describe command commands ;;
    (rest) case $line[1] in
{}    esac ;;
    esac
}}
_moorfrost_cli "$@"
)",
                       names, zshArguments(app), perCommand);
}

std::string fishCompletion(const CLI::App& app) {
    // In fish a backslash escapes inside single quotes.
    auto fish = [](const std::string& plain) {
        return "'" + text::replaceAll(text::replaceAll(plain, "\\", "\\\\"), "'", "\\'") + "'";
    };
    auto line = [&](const Word& word, const std::string& where) {
        std::string out = "complete -c moorfrost-cli" + where;
        for (const std::string& spelling : word.spellings)
            out += spelling.starts_with("--") ? " -l " + spelling.substr(2) : " -s " + spelling.substr(1);
        if (!word.values.empty())
            out += " -xa " + fish(text::join(word.values, " "));
        else if (word.takesValue)
            out += " -rF";
        return out + " -d " + fish(word.text) + "\n";
    };
    std::string out = "# What fish completes of moorfrost-cli. Printed by: moorfrost-cli completion fish\n";
    for (const Word& word : wordsOf(app))
        out += line(word, "");
    for (const CLI::App* command : commandsOf(app)) {
        out += "complete -c moorfrost-cli -n __fish_use_subcommand -xa " + fish(command->get_name()) +
               " -d " + fish(command->get_description()) + "\n";
        for (const Word& word : wordsOf(*command))
            if (!word.spellings.empty() || !word.values.empty())
                out += line(word, " -n '__fish_seen_subcommand_from " + command->get_name() + "'");
    }
    return out;
}

} // namespace

std::string manPage(const CLI::App& app) {
    text::ManPage page;
    page.name = app.get_name();
    page.what = "tag, name, identify and put away audio files, in scripts";
    page.synopsis = "[--library FILE] COMMAND [OPTION ...] [ARGUMENT ...]";
    page.version = version();
    page.sections.push_back({"Description", whatItIs, {}});
    text::ManSection options{"Options", "", {}};
    for (const Word& word : wordsOf(app))
        options.entries.push_back(
            {text::join(word.spellings, ", ") + (word.takesValue ? " FILE" : ""), word.text});
    page.sections.push_back(std::move(options));
    page.sections.push_back({"Commands", "", {}});
    for (const CLI::App* command : commandsOf(app))
        page.sections.push_back(sectionOf(*command));
    page.sections.push_back({"Exit status", exitCodes, {}});
    page.sections.push_back({"Files",
                             "",
                             {{"~/.local/share/moorfrost/library.db",
                               "The library, where --library names no other. XDG_DATA_HOME moves it."}}});
    page.sections.push_back({"See also", "moorfrost(1)", {}});
    return text::roffOf(page);
}

std::string completionFor(const std::string& shell, const CLI::App& app) {
    return shell == "bash" ? bashCompletion(app) : shell == "zsh" ? zshCompletion(app) : fishCompletion(app);
}

} // namespace moorfrost::cli
