#include "lesson/model/LessonModel.h"
#include "notebook/Notebook.h"

#include <cstdint>
#include <cstdlib>
#include <fstream>
#include <iterator>
#include <unistd.h>

// Any bytes as a file: opened and read through, or refused with a sentence; salvage never touches the file.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace uttrin;
    namespace fs = std::filesystem;
    static const fs::path folder = fs::temp_directory_path() / ("uttrin-fuzz-" + std::to_string(getpid()));
    fs::create_directories(folder);
    const auto path = folder / "f.uttrin", rescued = folder / "r.uttrin";
    const std::string bytes(reinterpret_cast<const char*>(data), size);
    std::ofstream(path, std::ios::binary) << bytes;
    fs::remove(rescued);
    if (auto notebook = Notebook::open(path)) {
        try {
            for (const Lesson& l : notebook->lessons().value_or(std::vector<Lesson>())) {
                const auto lesson = notebook->load(l.id);
                if (!lesson) continue;
                const LessonModel model(*lesson);
                for (const Run& r : model.data().runs)
                    (void)model.reduce(r.id);
            }
        } catch (const std::exception&) {
            // A row that breaks the file's own rules; reported as a failure of the file by the program.
        }
    } else {
        if (notebook.error().message.empty()) std::abort();
        (void)Notebook::salvage(path, rescued);
        std::ifstream file(path, std::ios::binary);
        if (std::string(std::istreambuf_iterator<char>(file), {}) != bytes) std::abort();
    }
    return 0;
}
