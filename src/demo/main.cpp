#include "DemoNotebook.h"

#include <cstdio>

/// Writes the sample notebook: uttrin-make-demo FILE.uttrin (a file of that name is replaced).
int main(int argc, char** argv) {
    if (argc != 2) {
        std::fputs("use: uttrin-make-demo FILE.uttrin\n", stderr);
        return 2;
    }
    std::error_code ignored;
    std::filesystem::remove(argv[1], ignored);
    const auto done = uttrin::writeDemoNotebook(argv[1]);
    if (!done) std::fprintf(stderr, "%s\n", plain(done.error().message).c_str());
    return done ? 0 : 1;
}
