#pragma once

#include "support/TempDir.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <array>
#include <cstdio>
#include <fstream>
#include <iterator>
#include <string>
#include <sys/wait.h>

namespace uttrin::testing {

struct Output {
    int code;
    std::string out, err;
};

/// Runs the command line as a process; words are given as a shell takes them.
inline Output run(const std::string& words, const std::string& environment = {}) {
    const TempDir dir;
    const std::string command =
        environment + std::string(UTTRIN_CLI) + " " + words + " 2>" + (dir / "err").string();
    FILE* pipe = popen(command.c_str(), "r");
    Output o{0, "", ""};
    std::array<char, 4096> buffer{};
    while (const auto n = fread(buffer.data(), 1, buffer.size(), pipe))
        o.out.append(buffer.data(), n);
    o.code = WEXITSTATUS(pclose(pipe));
    std::ifstream err(dir / "err");
    o.err.assign(std::istreambuf_iterator<char>(err), {});
    return o;
}

inline nlohmann::json json(const std::string& words) {
    const Output o = run(words + " --json");
    EXPECT_EQ(o.code, 0) << o.err;
    return nlohmann::json::parse(o.out);
}

} // namespace uttrin::testing
