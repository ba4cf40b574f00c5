#include "app/session/log.h"

namespace deft::ui {

Q_LOGGING_CATEGORY(lcWork, "deft.work")

} // namespace deft::ui
