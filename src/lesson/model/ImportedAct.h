#pragma once

#include "notebook/Records.h"

namespace uttrin {

/// An act from a file, with all that belongs to it; ids of the file mean nothing here.
struct ImportedAct {
    Act act;
    std::vector<Stamp> stamps;
    std::vector<std::string> groups; ///< whose each of the stamps is, by name; empty of what is everybody’s
    struct Asked {
        Question question;
        std::vector<Answer> answers; ///< without the groups that gave them
    };
    std::vector<Asked> questions;
};

} // namespace uttrin
