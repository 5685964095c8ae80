#include "PhaseMap.h"

#include "MapMarks.h"
#include "MapOverview.h"
#include "PhaseCurve.h"
#include "PhasePlot.h"
#include "PhaseRegions.h"
#include "ScaleTicker.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "substances/SubstanceLibrary.h"

#include <QBuffer>
#include <QContextMenuEvent>
#include <QFontMetrics>
#include <QMenu>
#include <QSvgGenerator>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kPerMille = 1000.0; // the inverse temperature is shown as 1000/T
constexpr int kRightEdge = 62;
constexpr int kLow = 230; // px; under a lower map stands the unit alone

/// Over the plot, px: a line of captions.
int topEdge() { return lineOf(theme().small) + 13; }

} // namespace

PhaseMap::PhaseMap(QWidget* parent) : QWidget(parent), m_plot(new PhasePlot(*this)) {
    setObjectName(QStringLiteral("phaseMap"));
    setAccessibleName(tr("Phase map"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    m_plot->setInteractions(QCP::iRangeDrag | QCP::iRangeZoom);
    setMinimumSize(240, 150);
    m_plot->resize(size());
    // The plot owns its layers' items. What is typed and captured moves the marks, which have a layer for
    // themselves.
    m_plot->addLayer(MapMarks::kLayer, m_plot->layer(QStringLiteral("legend")));
    m_plot->layer(MapMarks::kLayer)->setMode(QCPLayer::lmBuffered);
    m_regions = new PhaseRegions(this);
    m_marks = new MapMarks(this);
    m_plain = QSharedPointer<RealMinusTicker>::create();
    m_plot->xAxis->setTicker(m_plain);
    m_pressure.reset(new ScaleTicker(
        m_plot->yAxis, [this](double kPa) { return yOf(kPa * 1e3); },
        [this](double y) { return pascalAt(y) * 1e-3; }));
    m_dial.reset(new ScaleTicker(
        m_plot->yAxis2,
        [this](double value) {
            const auto& g = m_view.gauge;
            const auto p = toAbsolute(g, readingAt(g, value),
                                      RoomPressure{Pressure::fromPascal(m_view.roomPascal.value_or(0.0)), 0.0,
                                                   RoomMethod::Barometer});
            return p && p->pressure.pascal() > 0.0 ? yOf(p->pressure.pascal()) : std::nan("");
        },
        [this](double y) {
            return scaleValue(m_view.gauge,
                              uttrin::toReading(m_view.gauge, Pressure::fromPascal(pascalAt(y)),
                                                Pressure::fromPascal(m_view.roomPascal.value_or(0.0))));
        }));
    m_overview = new MapOverview(this);
    connect(m_plot->yAxis, qOverload<const QCPRange&>(&QCPAxis::rangeChanged), m_plot->yAxis2,
            qOverload<const QCPRange&>(&QCPAxis::setRange));
    connect(m_plot, &QCustomPlot::afterReplot, m_overview, qOverload<>(&QWidget::update));
    // Painted with all else that changed, not at once and all else after it.
    m_plot->setPlottingHint(QCP::phImmediateRefresh, false);
    setAxes(Axes::PressureLog);
}

double PhaseMap::xOf(double kelvin) const {
    return m_axes == Axes::ClausiusClapeyron ? kPerMille / kelvin : kelvin - kIcePointKelvin;
}
double PhaseMap::yOf(double pascal) const {
    return m_axes == Axes::ClausiusClapeyron ? std::log(std::max(pascal, 1e-3)) : pascal * 1e-3;
}
double PhaseMap::kelvinAt(double x) const {
    return m_axes == Axes::ClausiusClapeyron ? kPerMille / x : x + kIcePointKelvin;
}
double PhaseMap::pascalAt(double y) const {
    return m_axes == Axes::ClausiusClapeyron ? std::exp(y) : y * 1e3;
}
QPointF PhaseMap::pixelOf(double kelvin, double pascal) const {
    return {m_plot->xAxis->coordToPixel(xOf(kelvin)), m_plot->yAxis->coordToPixel(yOf(pascal))};
}

void PhaseMap::setOverviewShown(bool shown) {
    m_overviewWanted = shown;
    placeOverview();
}

void PhaseMap::placeOverview() {
    constexpr int kFewestTimesItsSize = 2; // a smaller map needs its room for itself
    if (m_view.substance) m_overview->fit();
    const QRect area = m_plot->axisRect()->rect();
    m_overview->setVisible(m_overviewWanted && area.height() > kFewestTimesItsSize * m_overview->height() &&
                           area.width() > kFewestTimesItsSize * m_overview->width());
    m_overview->move(area.right() - m_overview->width() - 12, area.bottom() - m_overview->height() - 12);
}

void PhaseMap::setAxes(Axes axes) {
    m_axes = axes;
    m_plot->yAxis->setScaleType(axes == Axes::PressureLog ? QCPAxis::stLogarithmic : QCPAxis::stLinear);
    m_plot->yAxis2->setScaleType(m_plot->yAxis->scaleType());
    if (axes == Axes::ClausiusClapeyron)
        m_plot->yAxis->setTicker(m_plain);
    else
        m_plot->yAxis->setTicker(m_pressure);
    m_plot->yAxis2->setTicker(m_dial);
    styleAxes();
    frame();
    m_plot->replot();
}

bool PhaseMap::isLow() const { return height() < kLow; }

void PhaseMap::styleAxes() {
    const Theme& t = theme();
    m_plot->setBackground(t.ground);
    for (QCPAxis* axis : {m_plot->xAxis, m_plot->yAxis, m_plot->yAxis2}) {
        axis->setVisible(true);
        axis->setTicks(true);
        axis->setTickLabels(true);
        axis->setTickLabelFont(fontOf(t.small));
        axis->setLabelFont(fontOf(t.small, QFont::Medium));
        axis->setTickLabelColor(t.ink);
        axis->setLabelColor(t.muted);
        axis->setBasePen(QPen(t.muted, 1));
        axis->setTickPen(QPen(t.ink, 1));
        axis->setSubTickPen(QPen(t.muted, 1));
        axis->setTickLength(0, 5);
        axis->setSubTickLength(0, axis == m_plot->yAxis2 ? 3 : 0);
        axis->setLabel(QString());
        QColor grid = t.muted;
        grid.setAlpha(45);
        axis->grid()->setPen(QPen(grid, 1));
        axis->grid()->setSubGridVisible(false);
        axis->grid()->setZeroLinePen(Qt::NoPen);
    }
    m_plot->yAxis2->grid()->setVisible(false);
    if (!isLow())
        m_plot->xAxis->setLabel(m_axes == Axes::ClausiusClapeyron ? tr("1000 K / T") : tr("temperature, °C"));
    const bool dial = !countsFromRoom(m_view.gauge.convention) || m_view.roomPascal;
    m_dial->setShown(dial);
    m_plot->axisRect()->setAutoMargins(QCP::msNone);
    const int below = scaled(isLow() ? (t.large ? 34 : 26) : t.large ? 64 : 50);
    m_plot->axisRect()->setMargins(
        QMargins(scaled(t.large ? 66 : 52), topEdge(), scaled(kRightEdge + (t.large ? 24 : 0)), below));
    fitTicks();
}

void PhaseMap::show(const MapView& view) {
    const bool sameFrame = m_framed && view.lowPascal == m_view.lowPascal &&
                           view.highPascal == m_view.highPascal && view.substance == m_view.substance;
    const bool sameScales = view.gauge == m_view.gauge && view.roomPascal == m_view.roomPascal;
    m_view = view;
    spokenChanged(this);
    if (sameFrame && sameScales && m_regions->isCurrent()) return replotMarks();
    styleAxes();
    if (!sameFrame) frame();
    m_plot->replot(QCustomPlot::rpQueuedReplot);
}

void PhaseMap::replotMarks() {
    if (std::exchange(m_marksQueued, true)) return;
    QMetaObject::invokeMethod(
        this,
        [this] {
            m_marksQueued = false;
            m_marks->layer()->replot();
        },
        Qt::QueuedConnection);
}

void PhaseMap::frame() {
    if (m_view.highPascal <= 0.0) return;
    const double a = xOf(m_view.lowKelvin), b = xOf(m_view.highKelvin);
    m_plot->xAxis->setRange(std::min(a, b), std::max(a, b));
    m_plot->yAxis->setRange(m_axes == Axes::PressureLinear ? 0.0 : yOf(m_view.lowPascal),
                            yOf(m_view.highPascal));
    m_plot->yAxis2->setRange(m_plot->yAxis->range());
    m_framed = true;
}

void PhaseMap::showAll() {
    const PhaseCurve curve(*m_view.substance);
    const double low = curve.overviewLowKelvin(), high = curve.criticalKelvin() * 1.03;
    const double a = xOf(low), b = xOf(high);
    m_plot->xAxis->setRange(std::min(a, b), std::max(a, b));
    m_plot->yAxis->setRange(m_axes == Axes::PressureLinear ? 0.0 : yOf(curve.pascal(low)),
                            yOf(curve.criticalPascal() * 1.6));
    m_plot->replot();
}

/// So few that their labels stand apart.
void PhaseMap::fitTicks() {
    constexpr int kMost = 5; // as the plot has them by itself
    const QFontMetrics letters(m_plot->xAxis->tickLabelFont());
    const QMargins edges = m_plot->axisRect()->margins();
    const int along = width() - edges.left() - edges.right();
    m_plain->setTickCount(std::clamp(along / letters.horizontalAdvance(QStringLiteral("00000")), 2, kMost));
}

void PhaseMap::resetFrame() {
    frame();
    m_plot->replot();
}

void PhaseMap::resizeEvent(QResizeEvent* event) {
    const bool wasLow = event->oldSize().height() < kLow;
    if (isLow() != wasLow)
        styleAxes();
    else
        fitTicks();
    m_plot->resize(event->size());
    QWidget::resizeEvent(event);
}

bool PhaseMap::event(QEvent* event) {
    if (event->type() == QEvent::StyleChange || event->type() == QEvent::PaletteChange) {
        styleAxes();
        m_plot->replot(QCustomPlot::rpQueuedReplot);
    }
    return QWidget::event(event);
}

void PhaseMap::paintCaptions(QPainter& p) const {
    const Theme& t = theme();
    p.setFont(fontOf(t.small, QFont::DemiBold));
    p.setPen(t.muted);
    const QRect area = m_plot->axisRect()->rect();
    const QString left = m_axes != Axes::ClausiusClapeyron ? tr("kPa absolute")
                         : isLow()                         ? tr("ln (p / Pa) against 1000 K / T")
                                                           : tr("ln (p / Pa)");
    const QString right = m_view.roomPascal || !countsFromRoom(m_view.gauge.convention)
                              ? QStringLiteral("%1, %2").arg(onScreen(Text::data(m_view.gauge.name)),
                                                             asIs(unitText(m_view.gauge)))
                              : tr("dial scale needs the room’s pressure");
    const int leftWide = p.fontMetrics().horizontalAdvance(left) + 8;
    p.drawText(QRect(4, 4, leftWide, topEdge() - 6), Qt::AlignLeft | Qt::AlignVCenter, left);
    constexpr int kApart = 12; // px
    const QRect beside(leftWide + kApart, 4, width() - leftWide - kApart - 4, topEdge() - 6);
    if (p.fontMetrics().horizontalAdvance(right) <= beside.width())
        p.drawText(beside, Qt::AlignRight | Qt::AlignVCenter, right);
    else if (p.fontMetrics().horizontalAdvance(right) <= area.width() - 12) // under it, within the plot
        p.drawText(area.adjusted(6, 4, -6, 0), Qt::AlignRight | Qt::AlignTop, right);
    // A plot too narrow for either goes without: the strip over it names the instrument.
    if (isLow())
        p.drawText(QRect(area.right() + 6, area.bottom() + 1, width() - area.right() - 6,
                         height() - area.bottom() - 1),
                   Qt::AlignLeft | Qt::AlignVCenter,
                   m_axes == Axes::ClausiusClapeyron ? QString() : tr("°C"));
}

std::pair<double, double> PhaseMap::valuesAt(QPointF pixel) const {
    return {kelvinAt(m_plot->xAxis->pixelToCoord(pixel.x())),
            pascalAt(m_plot->yAxis->pixelToCoord(pixel.y()))};
}

void PhaseMap::redraw() {
    m_plot->resize(size()); // a map that was never shown has not been told its size
    m_plot->setViewport(m_plot->rect());
    m_plot->replot(QCustomPlot::rpImmediateRefresh);
}

QRect PhaseMap::plotArea() const { return m_plot->axisRect()->rect(); }

QByteArray PhaseMap::asSvg() {
    QBuffer bytes;
    bytes.open(QIODevice::WriteOnly);
    QSvgGenerator svg;
    svg.setOutputDevice(&bytes);
    svg.setSize(size());
    svg.setViewBox(rect());
    svg.setTitle(tr("Phase map"));
    QCPPainter painter;
    if (!painter.begin(&svg)) return {};
    painter.setMode(QCPPainter::pmVectorized);
    m_plot->toPainter(&painter, width(), height());
    painter.end();
    return bytes.data();
}

QByteArray PhaseMap::asPng() {
    QBuffer bytes;
    bytes.open(QIODevice::WriteOnly);
    m_plot->toPixmap(width(), height(), 2.0).save(&bytes, "PNG");
    return bytes.data();
}

} // namespace uttrin::app

#include "moc_PhaseMap.cpp"
