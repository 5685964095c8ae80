#include "Arguments.h"
#include "RigArguments.h"
#include "feeds/Outlets.h"
#include "standin/StandIn.h"

#include <CLI/CLI.hpp>
#include <QCoreApplication>
#include <QTimer>
#include <fmt/format.h>

#include <cstdio>

namespace {

using namespace uttrin;

struct Words {
    std::string rig, room, file, zero, every = "0.1 s", seconds;
    std::vector<std::string> settings, faults;
    double speed = 1.0, noisePascal = 20.0, noiseKelvin = 0.03;
    int port = -1, modbus = -1;
    std::uint64_t seed = 1;
    bool pty = false;
};

int play(const Words& w, int argc, char** argv) {
    const RigFile rig = cli::rigFrom(w.rig);
    std::vector<RigSetting> settings;
    if (!w.room.empty()) settings = rig.roomSettings(cli::need(parsePressure(w.room)).pascal(), std::nullopt);
    for (RigSetting& s : cli::settingsFrom(rig, w.settings))
        settings.push_back(std::move(s));
    StandInSettings stand;
    stand.noisePascal = w.noisePascal;
    stand.noiseKelvin = w.noiseKelvin;
    stand.seed = w.seed;
    if (!w.zero.empty()) stand.zeroPascal = cli::need(parsePressureDifference(w.zero)).pascal();
    for (const std::string& fault : w.faults)
        stand.faults.push_back(cli::need(readFault(fault)));
    StandIn standIn = cli::need(StandIn::make(rig, settings, stand));
    OutletSettings out;
    if (w.port >= 0) out.tcpPort = w.port;
    if (w.modbus >= 0) out.modbusPort = w.modbus;
    out.file = w.file;
    out.pty = w.pty;
    out.every = cli::need(parseMeasure(w.every, Dimension::Time)).si();
    out.speed = w.speed;
    constexpr double kShortest = 0.001; // s
    if (!(out.every >= kShortest) || !(out.speed > 0.0))
        throw cli::Refusal{
            {Failure::BadInput, Text::tr("--every and --speed: accepted: 1 ms or longer, more than 0")}};
    QCoreApplication app(argc, argv);
    Outlets outlets(standIn, out);
    const auto where = cli::need(outlets.open());
    for (const std::string& one : where)
        fmt::print("{}\n", one);
    std::fflush(stdout);
    QObject::connect(&outlets, &Outlets::ended, &app, &QCoreApplication::quit);
    constexpr double kMs = 1000.0;
    if (!w.seconds.empty())
        QTimer::singleShot(static_cast<int>(kMs * cli::need(parseMeasure(w.seconds, Dimension::Time)).si()),
                           &app, &QCoreApplication::quit);
    return QCoreApplication::exec();
}

} // namespace

int main(int argc, char** argv) {
    CLI::App app{"Stands in for instruments: plays a rig and sends what its gauge and thermometer show, to "
                 "this machine "
                 "only.\nExample: uttrin-standin sealed-flask --room \"943.1 hPa\" --tcp 5025 --speed 10"};
    Words w;
    app.add_option("rig", w.rig, "a demonstration that ships, one of your own, or a rig file")->required();
    app.add_option("--room", w.room, "the room's absolute pressure");
    app.add_option("--set", w.settings, "a knob or a value set otherwise: \"water=300 g\"");
    app.add_option("--tcp", w.port, "port of this machine for lines; 0: any that is free")
        ->check(CLI::Range(0, 65535));
    app.add_option("--modbus", w.modbus, "port of this machine for Modbus; 0: any that is free")
        ->check(CLI::Range(0, 65535));
    app.add_option("--csv", w.file, "file that grows");
    app.add_flag("--pty", w.pty, "a serial port of this machine");
    app.add_option("--every", w.every, "between two readings")->capture_default_str();
    app.add_option("--speed", w.speed, "seconds of the rig in each of the clock")->capture_default_str();
    app.add_option("--zero", w.zero, "that the gauge shows too much: \"0.3 kPa\"");
    app.add_option("--noise-pa", w.noisePascal, "of the gauge")->capture_default_str();
    app.add_option("--noise-k", w.noiseKelvin, "of the thermometer")->capture_default_str();
    app.add_option("--fault", w.faults,
                   "gap, rubbish, noise, unplugged or jump, when and for how long: gap:20:5");
    app.add_option("--seed", w.seed, "of the noise")->capture_default_str();
    app.add_option("--seconds", w.seconds, "of the clock, after which it ends: \"60 s\"");
    CLI11_PARSE(app, argc, argv);
    try {
        return play(w, argc, argv);
    } catch (const cli::Refusal& refusal) {
        fmt::print(stderr, "uttrin-standin: {}\n", plain(refusal.failure.message));
        return cli::exitCode(refusal.failure);
    }
}
