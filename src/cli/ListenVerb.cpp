#include "Formats.h"
#include "Verbs.h"
#include "feeds/Listener.h"
#include "files/WholeFile.h"
#include "live/OwnProfiles.h"
#include "trace/TraceCsv.h"

#include <QCoreApplication>
#include <QTimer>
#include <fmt/format.h>

#include <filesystem>
#include <memory>
#include <vector>

namespace uttrin::cli {
namespace {

struct ListenInput {
    std::string profile, from, out, room, seconds = "60 s";
};

LiveProfile profileFrom(const std::string& word) {
    if (const auto known = profileWithId(word)) return *known;
    if (!std::filesystem::exists(word)) {
        std::vector<Text> ids;
        for (const ShippedProfile& shipped : shippedProfiles())
            ids.push_back(Text::data(shipped.id));
        throw Refusal{
            {Failure::BadInput, Text::tr("--profile '{}': no such file; accepted: a file, or one of {}",
                                         Text::typed(word), Text::list(ids))}};
    }
    return need(readProfileFile(fileText(word)));
}

double secondsOf(const std::string& word) {
    constexpr double kDay = 86400.0;
    const double seconds = secondsFrom(word);
    if (!(seconds > 0.0 && seconds <= kDay))
        throw Refusal{
            {Failure::BadInput, Text::tr("--seconds '{}': accepted: more than 0 s, up to 24 h", word)}};
    return seconds;
}

Answer listenAnswer(const ListenInput& in) {
    const LiveProfile profile = profileFrom(in.profile);
    const Endpoint endpoint = need(readEndpoint(in.from));
    if (endpoint.kind == Endpoint::Kind::Modbus && profile.registers.empty())
        throw Refusal{
            {Failure::BadInput, Text::tr("'{}' has no registers; accepted: a profile that speaks modbus",
                                         Text::typed(profile.name))}};
    const double seconds = secondsOf(in.seconds);
    static int argc = 1;
    static char name[] = "uttrin-cli";
    static char* argv[] = {name, nullptr};
    QCoreApplication app(argc, argv);
    Listener listener(endpoint, profile, roomPascalFrom(in.room));
    std::vector<std::string> said;
    QObject::connect(&listener, &Listener::told, &listener, [&](const QString& what) {
        constexpr std::size_t kMost = 100;
        if (said.size() < kMost && (said.empty() || said.back() != what.toStdString()))
            said.push_back(what.toStdString());
    });
    listener.start();
    constexpr double kMs = 1000.0;
    QTimer::singleShot(static_cast<int>(kMs * seconds), &app, &QCoreApplication::quit);
    QCoreApplication::exec();
    listener.finish();
    const LiveRecorder& heard = listener.recorder();
    if (!in.out.empty()) need(writeWholeFile(in.out, writeTraceCsv(heard.trace())));
    Answer a;
    a.json = {{"samples", heard.samples()},
              {"rejected", heard.rejected()},
              {"gaps", Json::array()},
              {"said", said},
              {"path", in.out.empty() ? Json() : Json(in.out)},
              {"source", "the instrument’s own figures, by its profile (docs/instrument-profiles.md)"}};
    for (const auto& gap : heard.gaps())
        a.json["gaps"].push_back({{"from_s", gap.from}, {"to_s", gap.to}});
    a.text = fmt::format("{} samples, {} rejected, {} gap(s)\n", heard.samples(), heard.rejected(),
                         heard.gaps().size());
    for (const std::string& one : said)
        a.text += one + "\n";
    return a;
}

} // namespace

Job addListen(VerbOptions& verb) {
    auto in = std::make_shared<ListenInput>();
    verb.add("--profile", in->profile,
             "profile file (docs/instrument-profiles.md), or the name of one that ships")
        .required();
    verb.add("--from", in->from, "tcp:HOST:PORT, serial:DEVICE, file:CSV or modbus:HOST:PORT").required();
    verb.add("--seconds", in->seconds, "for how long").showDefault();
    verb.add("--room", in->room, "the room’s absolute pressure, for a gauge that counts from it");
    verb.add("--out", in->out, "CSV of what came");
    return [in] { return listenAnswer(*in); };
}

} // namespace uttrin::cli
