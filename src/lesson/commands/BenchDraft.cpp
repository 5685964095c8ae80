#include "BenchDraft.h"

#include <tuple>

namespace uttrin {

bool BenchDraft::saysTheSame(const BenchDraft& o) const {
    return std::tie(first, second, temperature, beforePull, criterion, judge, side, isolated, vigour,
                    heaterSetting, stepsDone) == std::tie(o.first, o.second, o.temperature, o.beforePull,
                                                          o.criterion, o.judge, o.side, o.isolated, o.vigour,
                                                          o.heaterSetting, o.stepsDone);
}

bool BenchDraft::hasGauge(const PressureInstrument& gauge) const {
    return first && (!hasTwoArms(gauge.convention) || second);
}

void BenchDraft::keepOnlyFor(const Rig& before, const Rig& now) {
    if (before.gauge.convention != now.gauge.convention || before.gauge.unit != now.gauge.unit) {
        first.reset();
        second.reset();
        gaugePhoto.reset();
        gaugeLive.reset();
    }
    if (readingUnit(before.thermometer) != readingUnit(now.thermometer)) {
        temperature.reset();
        beforePull.reset();
        thermometerPhoto.reset();
        thermometerLive.reset();
    }
}

bool BenchDraft::gaugeIsTyped() const {
    return (first || second) &&
           !(gaugeLive && gaugeLive->reading == GaugeReading{first.value_or(0.0), second});
}

bool BenchDraft::temperatureIsTyped() const {
    return temperature && !(thermometerLive && thermometerLive->reading.first == *temperature);
}

void BenchDraft::clearReadings() {
    gaugeLive.reset();
    thermometerLive.reset();
    isolated.reset();
    first.reset();
    second.reset();
    temperature.reset();
    beforePull.reset();
    gaugePhoto.reset();
    thermometerPhoto.reset();
    gaugeTypedMs.reset();
    temperatureTypedMs.reset();
}

void BenchDraft::take(PhotoEvidence evidence) {
    if (evidence.shows == PhotoSubject::Temperature) {
        temperature = evidence.reading.first;
        thermometerPhoto = std::move(evidence);
    } else {
        first = evidence.reading.first;
        second = evidence.reading.second;
        gaugePhoto = std::move(evidence);
    }
}

} // namespace uttrin
