// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/description.h"

#include "base/files.h"

#include <CLI/CLI.hpp>
#include <iostream>
#include <stdexcept>

namespace deft::cli {
namespace {

using Apps = std::vector<const CLI::App*>;

Apps shownCommands(const CLI::App& app) {
    Apps shown;
    for (const CLI::App* c : app.get_subcommands({}))
        if (!c->get_group().empty()) shown.push_back(c);
    return shown;
}

/// Options or positionals that are shown, those without dashes apart.
std::vector<const CLI::Option*> optionsOf(const CLI::App& app, bool positional) {
    std::vector<const CLI::Option*> out;
    for (const CLI::Option* o : app.get_options())
        if (o->nonpositional() != positional && !o->get_group().empty()) out.push_back(o);
    return out;
}

std::string fullName(const CLI::App& app, char between) {
    const CLI::App* parent = app.get_parent();
    return parent ? fullName(*parent, between) + between + app.get_name() : app.get_name();
}

/// As roff wants it: dashes that can be searched for, and no line that begins with a command.
std::string roff(const std::string& text) {
    std::string out;
    for (const char c : text) {
        if (c == '\\')
            out += "\\e";
        else if (c == '-')
            out += "\\-";
        else if ((c == '.' || c == '\'') && (out.empty() || out.back() == '\n'))
            out += std::string("\\&") + c;
        else if (c == '\n')
            out += "\n.br\n";
        else
            out += c;
    }
    return out;
}

std::string synopsis(const CLI::App& app) {
    std::string line = ".B " + roff(fullName(app, ' ')) + "\n";
    for (const CLI::Option* o : optionsOf(app, false))
        if (o->get_required()) line += ".B " + roff(o->get_name()) + "\n.I VALUE\n";
    if (!optionsOf(app, false).empty()) line += ".RI [ OPTIONS ]\n";
    if (!shownCommands(app).empty())
        line += std::string(".RI ") + (app.get_parent() ? "COMMAND" : "[ COMMAND ]") + "\n";
    for (const CLI::Option* o : optionsOf(app, true))
        line += (o->get_required() ? ".I " : ".RI [ ") + roff(o->get_name()) + (o->get_required() ? "\n" : " ]\n");
    return line;
}

std::string manPage(const CLI::App& app) {
    const std::string name = fullName(app, '-');
    std::string description = app.get_description(), first = description.substr(0, description.find('\n'));
    if (!first.empty() && first.back() == '.') first.pop_back();
    if (!app.get_parent()) first = "measures recorded core exercises and drafts the answer to the client";
    std::string page = ".\\\" SPDX-License-Identifier: GPL-3.0-or-later\n.TH " + roff(name) + " 1 \"\" \"Deft Mirror " +
                       DEFT_VERSION + "\" \"User commands\"\n.SH NAME\n" + roff(name) + " \\- " + roff(first) +
                       "\n.SH SYNOPSIS\n" + synopsis(app) + ".SH DESCRIPTION\n" + roff(description) + "\n";
    const auto list = [&page, &app](const char* title, const std::vector<const CLI::Option*>& options) {
        if (options.empty()) return;
        page += std::string(".SH ") + title + "\n";
        for (const CLI::Option* o : options) {
            const bool takes = o->nonpositional() && o->get_items_expected_max() > 0;
            page += ".TP\n.B " + roff(o->get_name(false, true)) + (takes ? " VALUE" : "") + "\n";
            std::string said = o->get_description();
            if (said.empty()) throw std::logic_error(fullName(app, ' ') + " says nothing of " + o->get_name());
            if (const std::string type = o->get_type_name(); takes && type.find('{') != std::string::npos)
                said += ": " + type.substr(type.find('{') + 1, type.find('}') - type.find('{') - 1);
            page += roff(said) + "\n";
        }
    };
    list("ARGUMENTS", optionsOf(app, true));
    list("OPTIONS", optionsOf(app, false));
    std::string also;
    if (const Apps commands = shownCommands(app); !commands.empty()) {
        page += ".SH COMMANDS\n";
        for (const CLI::App* c : commands) {
            page += ".TP\n.B " + roff(c->get_name()) + "\n" + roff(c->get_description()) + "\n";
            also += (also.empty() ? "" : ",\n") + std::string(".BR ") + roff(fullName(*c, '-')) + " (1)";
        }
    }
    page +=
        ".SH EXIT STATUS\n0 when it was done, 1 when it could not be done (the reason is on standard error), 2 after "
        "wrong use.\n";
    if (!app.get_parent()) // these speak of the whole
        page += ".SH FILES\n.I ~/.local/share/deft\\-mirror/library\nthe coach's records and clips\n.br\n.I "
                "~/.local/state/deft\\-mirror\nthe log, without names\n";
    if (app.get_parent())
        also = ".BR " + roff(fullName(*app.get_parent(), '-')) + " (1)" + (also.empty() ? "" : ",\n" + also);
    return page + ".SH SEE ALSO\n" + also + "\n";
}

/// Words that may follow a command: its own commands and options.
std::string wordsOf(const CLI::App& app) {
    std::string words;
    const auto add = [&words](const std::string& word) { words += (words.empty() ? "" : " ") + word; };
    for (const CLI::App* c : shownCommands(app)) add(c->get_name());
    for (const CLI::Option* o : optionsOf(app, false))
        for (const std::string& l : o->get_lnames()) add("--" + l);
    return words;
}

std::string completion(const CLI::App& app) {
    std::string cases;
    const std::function<void(const CLI::App&)> add = [&](const CLI::App& a) {
        cases += "    '" + fullName(a, ' ') + "') words='" + wordsOf(a) + "' ;;\n";
        for (const CLI::App* c : shownCommands(a)) add(*c);
    };
    add(app);
    return R"(# SPDX-License-Identifier: GPL-3.0-or-later
# Made from the command line's own description.
_deft_mirror() {
  local current="${COMP_WORDS[COMP_CWORD]}" path='deft-mirror' words i
  for ((i = 1; i < COMP_CWORD; i++)); do
    case "$path ${COMP_WORDS[i]}" in
)" +
           [&] {
               std::string paths;
               const std::function<void(const CLI::App&)> list = [&](const CLI::App& a) {
                   for (const CLI::App* c : shownCommands(a)) {
                       paths += "      '" + fullName(*c, ' ') + "') path=\"$path ${COMP_WORDS[i]}\" ;;\n";
                       list(*c);
                   }
               };
               list(app);
               return paths;
           }() +
           "    esac\n  done\n  case \"$path\" in\n" + cases + R"(  esac
  if [[ $current == -* || $COMP_CWORD -eq 1 || $words == [a-z]* ]]; then
    COMPREPLY=($(compgen -W "$words" -- "$current"))
  fi
  [[ ${#COMPREPLY[@]} -gt 0 ]] || COMPREPLY=($(compgen -f -- "$current"))
}
complete -o filenames -F _deft_mirror deft-mirror
)";
}

} // namespace

int writeDescription(const CLI::App& app, const std::filesystem::path& folder) {
    std::error_code failed;
    std::filesystem::create_directories(folder / "man1", failed);
    Result<void> ok = writeFileAtomically(folder / "deft-mirror.bash", completion(app));
    const std::function<void(const CLI::App&)> write = [&](const CLI::App& a) {
        if (ok) ok = writeFileAtomically(folder / "man1" / (fullName(a, '-') + ".1"), manPage(a));
        for (const CLI::App* c : shownCommands(a)) write(*c);
    };
    write(app);
    if (ok) return 0;
    std::cerr << "deft-mirror: " << ok.error().detail() << ".\n";
    return 1;
}

} // namespace deft::cli
