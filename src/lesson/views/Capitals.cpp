#include "Capitals.h"

#include <algorithm>
#include <cctype>

namespace uttrin {

std::string capitals(std::string name) {
    std::ranges::transform(name, name.begin(),
                           [](unsigned char c) { return static_cast<char>(std::toupper(c)); });
    return name;
}

} // namespace uttrin
