#pragma once

#include "Document.h"
#include "lesson/commands/LessonSession.h"

namespace uttrin {

/// What every paper of a lesson begins with: its title, whether its data are made up, where and when it was.
void opening(Document& document, const Lesson& lesson, const Text& subtitle);

/// How the room's pressure was had, what it was, and what is known against it.
[[nodiscard]] Text roomSentence(const LessonSession& session);

} // namespace uttrin
