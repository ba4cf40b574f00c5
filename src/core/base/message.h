// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <chrono>
#include <optional>
#include <string>
#include <type_traits>
#include <utility>
#include <variant>
#include <vector>

namespace deft {

struct Argument;

/// Something to say to people, as data: a key of the catalogue of sentences (data/languages/en.json) with what goes
/// into its places; or an English sentence that is its own key (of an exercise file, of an error), with {places}. A
/// Language turns it into words.
struct Message {
    std::string key;
    std::vector<std::pair<std::string, Argument>> with;

    Message();
    Message(const char* sentence);
    Message(std::string sentence);
    Message(std::string sentence, std::vector<std::pair<std::string, Argument>> arguments);
    Message(const Message&);
    Message(Message&&) noexcept;
    Message& operator=(const Message&);
    Message& operator=(Message&&) noexcept;
    ~Message();
    bool empty() const { return key.empty(); }
    bool operator==(const Message&) const;
};
using Messages = std::vector<Message>;

/// A number with its unit ("deg", "%", "s", …), as "+10.4 ± 0.2°".
struct Amount {
    double value = 0;
    int decimals = 1;
    std::string unit{};
    bool withSign = false;
    std::optional<double> u95{}; ///< half-width of its band, in the same unit
    bool operator==(const Amount&) const = default;
};

struct Day {
    std::chrono::sys_days day;
    bool isWeekday = false; ///< only "Thursday", else "Thursday 14 May"
    bool operator==(const Day&) const = default;
};

/// What stands in a place of a message: words that are said as they are (a name), a number that plurals may hang on, an
/// amount, a day, or other messages, which become a list ("a, b and c").
struct Argument {
    std::variant<std::string, double, Amount, Day, Messages> value;

    Argument(const char* words) : value(std::string(words)) {}
    Argument(std::string words) : value(std::move(words)) {}
    Argument(bool yes) : value(std::string(yes ? "yes" : "no")) {}
    template <class Number>
    requires std::is_arithmetic_v<Number> Argument(Number number) : value(double(number)) {}
    Argument(Amount amount) : value(std::move(amount)) {}
    Argument(Day day) : value(day) {}
    Argument(Message message) : value(Messages{std::move(message)}) {}
    Argument(Messages list) : value(std::move(list)) {}
    bool operator==(const Argument&) const = default;
};

/// "+10.4 ± 0.2°", with a decimal point.
std::string amountWords(const Amount& amount);
/// A message whose key is an English sentence, in English: errors are told before there is a catalogue, and where
/// there is none. Its {places} hold no plurals and no choices.
std::string inEnglish(const Message& message);
/// What is wrong at a place (a file, a member of it): "clip.marks.json: /frames is missing".
Message inPlace(std::string where, Message what);

} // namespace deft
