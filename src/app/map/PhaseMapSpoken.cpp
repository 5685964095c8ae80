#include "PhaseMap.h"
#include "app/controls/OnScreen.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

namespace uttrin::app {
namespace {

constexpr int kAround = 8; // px about a point

QString atPressure(double pascal, double kelvin) {
    return onScreen(Text::tr("{} kPa, {} °C", fixed(pascal * 1e-3, 1), fixed(kelvin - kIcePointKelvin, 1)));
}

} // namespace

QString PhaseMap::spokenValue() const {
    return onScreen(Text::tr("{}: {} {1|target|targets}, {} {2|point|points}", m_view.substance->facts().name,
                             m_view.targets.size(), m_view.points.size()));
}

std::vector<Spoken::Part> PhaseMap::spokenParts() const {
    std::vector<Part> all;
    const auto about = [&](double kelvin, double pascal) {
        const QPoint at = pixelOf(kelvin, pascal).toPoint();
        return QRect(at - QPoint(kAround, kAround), QSize(2 * kAround, 2 * kAround));
    };
    const QRect area = plotArea();
    all.push_back({tr("boiling curve of %1").arg(onScreen(m_view.substance->facts().name)), area});
    if (m_view.roomPascal) {
        const int y = about(m_view.lowKelvin, *m_view.roomPascal).center().y();
        all.push_back({tr("the room, %1 kPa").arg(onScreen(*m_view.roomPascal * 1e-3, 2)),
                       QRect(area.left(), y - 2, area.width(), 4)});
    }
    for (const MapTarget& t : m_view.targets) {
        const QString state = t.taken      ? tr("taken")
                              : t.current  ? tr("next")
                              : t.possible ? tr("to come")
                                           : tr("cannot be reached");
        all.push_back({tr("target %1, %2, %3").arg(t.order).arg(atPressure(t.pascal, t.kelvin), state),
                       about(t.kelvin, t.pascal), t.place == m_selected});
    }
    for (const MapPoint& point : m_view.points) {
        const QString state = point.struck  ? tr("struck")
                              : point.inFit ? tr("in the fit")
                                            : tr("not in the fit");
        all.push_back({tr("point at %1, %2").arg(atPressure(point.pascal, point.kelvin), state),
                       about(point.kelvin, point.pascal)});
    }
    if (m_view.liveKelvin && m_view.livePascal)
        all.push_back({tr("now %1").arg(atPressure(*m_view.livePascal, *m_view.liveKelvin)),
                       about(*m_view.liveKelvin, *m_view.livePascal), true});
    return all;
}

} // namespace uttrin::app
