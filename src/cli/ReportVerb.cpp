#include "Formats.h"
#include "Verbs.h"
#include "files/WholeFile.h"
#include "lesson/commands/SelectionCommands.h"
#include "pdf/PdfReport.h"
#include "report/LabReport.h"
#include "resources/Fonts.h"

#include <QGuiApplication>
#include <fmt/format.h>

#include <memory>

namespace uttrin::cli {
namespace {

Result<int> writeReportPdf(const Document& document, const std::string& out) {
    qputenv("QT_QPA_PLATFORM", "offscreen"); // no display is needed to set a page
    static int argc = 1;
    static char name[] = "uttrin-cli";
    static char* argv[] = {name, nullptr};
    const QGuiApplication app(argc, argv);
    loadFonts();
    return writePdf(document, Wording(), QString::fromStdString(out));
}

} // namespace

Job addReport(VerbOptions& verb) {
    struct In {
        std::string file, out;
        RowId run = 0;
        bool student = false;
    };
    auto in = std::make_shared<In>();
    verb.add("file", in->file, "notebook (.uttrin)").required();
    verb.add("--run", in->run, "run id, see `notebook info`").required();
    verb.add("--out", in->out, "report.pdf or report.html").required();
    verb.flag("--student", in->student, "the student’s copy, without answers");
    return [in] {
        const SystemClock clock;
        LessonSession session(need(Notebook::open(in->file)), clock, 0);
        bool found = false;
        SelectionCommands select(session);
        for (const Lesson& l : need(session.notebook().lessons())) {
            need(select.selectLesson(l.id));
            for (const Run& r : session.model().data().runs)
                found = found || r.id == in->run;
            if (found) break;
        }
        if (!found)
            throw Refusal{
                {Failure::BadInput,
                 Text::tr("there is no run {} in {}; see `uttrin-cli notebook info`", in->run, in->file)}};
        need(select.selectRun(in->run));
        const auto document = need(labReport(session, {!in->student, {}}));
        const bool pdf = std::filesystem::path(in->out).extension() == ".pdf";
        if (!pdf && std::filesystem::path(in->out).extension() != ".html")
            throw Refusal{{Failure::BadInput, Text::tr("'{}' ends in neither .pdf nor .html", in->out)}};
        Answer a;
        a.json["path"] = in->out;
        if (pdf) {
            a.json["pages"] = need(writeReportPdf(document, in->out));
        } else {
            need(writeWholeFile(in->out, toHtml(document, Wording())));
            a.json["pages"] = 1;
        }
        a.text = fmt::format("{}: {} page(s)\n", in->out, a.json["pages"].get<int>());
        return a;
    };
}

} // namespace uttrin::cli
