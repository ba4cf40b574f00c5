#pragma once
#include <QLoggingCategory>

namespace deft::ui {

/// What went wrong inside of the program, for whoever looks after it; no names and nothing of anybody's health.
Q_DECLARE_LOGGING_CATEGORY(lcWork)

} // namespace deft::ui
