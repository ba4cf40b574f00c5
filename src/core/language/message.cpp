// SPDX-License-Identifier: GPL-3.0-or-later
#include "language/message.h"

namespace deft {

Message::Message(const char* sentence) : key(sentence) {}
Message::Message(std::string sentence, std::vector<std::pair<std::string, Argument>> arguments)
    : key(std::move(sentence)), with(std::move(arguments)) {}
Message::Message(const Message&) = default;
Message::Message(Message&&) noexcept = default;
Message& Message::operator=(const Message&) = default;
Message& Message::operator=(Message&&) noexcept = default;
Message::~Message() = default;
bool Message::operator==(const Message&) const = default;

} // namespace deft
