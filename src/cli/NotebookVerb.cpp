#include "Formats.h"
#include "Verbs.h"
#include "lesson/commands/LessonCommands.h"
#include "lesson/exchange/Exports.h"
#include "lesson/exchange/ReadingsCsv.h"

#include <fmt/format.h>

#include <memory>

namespace uttrin::cli {
namespace {

Answer notebookInfo(const Notebook& notebook) {
    Answer a;
    a.json = {{"file", notebook.path().string()},
              {"read_only", notebook.readOnly()},
              {"notice", notebook.notice()},
              {"lessons", Json::array()}};
    for (const Lesson& l : need(notebook.lessons())) {
        const LessonModel model(need(notebook.load(l.id)));
        const auto room = model.room(std::nullopt);
        Json runs = Json::array();
        for (const Run& r : model.data().runs)
            runs.push_back({{"id", r.id},
                            {"group", model.group(r.groupId).name},
                            {"number", r.number},
                            {"plan", model.setup(r.setupId).name},
                            {"readings", model.readingsOf(r.id).size()}});
        a.json["lessons"].push_back({{"id", l.id},
                                     {"title", l.title},
                                     {"held_on", l.heldOn},
                                     {"made_up", l.madeUp},
                                     {"room_pa", room ? Json(room->station.pascal()) : Json()},
                                     {"runs", runs}});
        a.text +=
            fmt::format("lesson {}: {} ({}){}\n", l.id, l.title, l.heldOn, l.madeUp ? ", made-up data" : "");
        for (const Json& r : runs)
            a.text += fmt::format("  run {}: {} {}, {} readings ({})\n", r["id"].get<RowId>(),
                                  r["group"].get<std::string>(), r["number"].get<int>(),
                                  r["readings"].get<std::size_t>(), r["plan"].get<std::string>());
    }
    return a;
}

Answer notebookImport(Notebook notebook, const std::string& csv) {
    const bool json = std::filesystem::path(csv).extension() == ".json";
    const auto imported = need(json ? readReadingsJson(fileText(csv)) : readReadingsCsv(fileText(csv)));
    const SystemClock clock;
    LessonSession session(std::move(notebook), clock, 0);
    LessonCommands commands(session);
    if (!session.hasLesson())
        need(commands.addLesson(Lesson{0, "Imported readings", "", "", "", 0.0, false, 0, false}));
    const auto run = need(commands.addImported(std::filesystem::path(csv).stem().string(), imported.runs));
    Answer a;
    a.json = {{"run", run}, {"readings", imported.count()}, {"unread_lines", imported.complaints}};
    a.text = fmt::format("{} readings imported as run {}\n", imported.count(), run);
    for (const auto& c : imported.complaints)
        a.text += fmt::format("not read: {}\n", c);
    return a;
}

} // namespace

Job addNotebook(VerbOptions& verb) {
    struct In {
        std::string action, file, extra, format = "csv", out = ".";
    };
    auto in = std::make_shared<In>();
    verb.add("action", in->action, "info, export, import or check")
        .required()
        .oneOf({"info", "export", "import", "check"});
    verb.add("file", in->file, "notebook (.uttrin)").required();
    verb.add("csv", in->extra, "import: the CSV file");
    verb.add("--format", in->format, "export: csv, json or xlsx")
        .oneOf({"csv", "json", "xlsx"})
        .showDefault();
    verb.add("--out", in->out, "export: folder").showDefault();
    return [in]() -> Answer {
        auto notebook = need(Notebook::open(in->file));
        if (in->action == "info") return notebookInfo(notebook);
        if (in->action == "import") {
            if (in->extra.empty())
                throw Refusal{
                    {Failure::BadInput, Text::tr("import needs a CSV file: notebook import FILE run.csv")}};
            return notebookImport(std::move(notebook), in->extra);
        }
        Answer a;
        if (in->action == "check") {
            const auto wrong = need(notebook.check());
            a.json = {{"file", in->file}, {"sound", wrong.empty()}, {"problems", wrong}};
            a.text = wrong.empty() ? "sound\n" : "";
            for (const auto& w : wrong)
                a.text += fmt::format("{}\n", w);
            return a;
        }
        a.json["written"] = Json::array();
        for (const auto& path : need(exportNotebook(notebook, in->format, in->out))) {
            a.json["written"].push_back(path.string());
            a.text += path.string() + "\n";
        }
        return a;
    };
}

} // namespace uttrin::cli
