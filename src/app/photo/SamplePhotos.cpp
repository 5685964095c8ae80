#include "SamplePhotos.h"

#include "app/controls/Theme.h"
#include "app/instruments/InstrumentPicture.h"
#include "quantities/Rounding.h"

#include <QLinearGradient>
#include <QPainter>
#include <QTransform>

#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kLongSide = 1300.0, kMargin = 0.08; // px; of each side of the picture

/// A photo, and where the parts of the instrument came to lie in it.
struct Photographed {
    SamplePhoto sample;
    QTransform fromInstrument; ///< px of the instrument's own picture to px of the photo
    [[nodiscard]] PhotoPoint seen(QPointF own) const {
        const QPointF p = fromInstrument.map(own);
        return {p.x(), p.y()};
    }
};

/// The instrument before a wall, as a camera sees it. The tilt turns the left side away and the top back.
Photographed photograph(InstrumentPicture& instrument, QSize size, bool tilted) {
    const PaintedIn daylight(Theme::paper()); // an instrument does not change with the screen
    instrument.resize(size);
    instrument.ensurePolished();
    const double enlarge = kLongSide / std::max(size.width(), size.height());
    const QSize photoSize = (enlarge * QSizeF(size) / (1.0 - 2.0 * kMargin)).toSize();
    const QSizeF large = enlarge * QSizeF(size);
    const QRectF place(QPointF(kMargin * photoSize.width(), kMargin * photoSize.height()), large);
    const double w = place.width(), h = place.height();
    const QPolygonF seen =
        tilted ? QPolygonF({place.topLeft() + QPointF(0.20 * w, 0.18 * h),
                            place.topRight() + QPointF(-0.04 * w, 0.02 * h),
                            place.bottomRight() + QPointF(0.01 * w, -0.01 * h),
                            place.bottomLeft() + QPointF(0.10 * w, -0.15 * h)})
               : QPolygonF({place.topLeft(), place.topRight(), place.bottomRight(), place.bottomLeft()});
    const QRectF own(QPointF(0, 0), QSizeF(size));
    Photographed photo;
    photo.sample.marks.tilted = tilted;
    QTransform::quadToQuad(QPolygonF({own.topLeft(), own.topRight(), own.bottomRight(), own.bottomLeft()}),
                           seen, photo.fromInstrument);
    photo.sample.picture = QImage(photoSize, QImage::Format_RGB32);
    QPainter p(&photo.sample.picture);
    QLinearGradient wall(0, 0, photoSize.width(), photoSize.height());
    wall.setColorAt(0.0, QColor(0xDD, 0xD8, 0xCC));
    wall.setColorAt(1.0, QColor(0xB4, 0xAE, 0xA2));
    p.fillRect(photo.sample.picture.rect(), wall);
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform | QPainter::TextAntialiasing);
    // Drawn at twice its size first: a perspective blurs what it enlarges.
    constexpr int kFine = 2;
    QImage fine(kFine * size, QImage::Format_ARGB32_Premultiplied);
    fine.fill(Qt::transparent);
    QPainter onto(&fine);
    onto.scale(kFine, kFine);
    instrument.render(&onto, QPoint(), QRegion(), QWidget::DrawChildren);
    onto.end();
    p.setTransform(photo.fromInstrument);
    p.scale(1.0 / kFine, 1.0 / kFine);
    p.drawImage(0, 0, fine);
    return photo;
}

/// Marks on a straight scale at two of its graduations; `graduation` gives either end of their lines.
template <typename Picture>
void markScale(Photographed& photo, const Picture& picture, double first, double second) {
    for (const double value : {first, second}) {
        GraduationMark mark{value, photo.seen(picture.graduation(value, true)), std::nullopt};
        if (photo.sample.marks.tilted) mark.otherEnd = photo.seen(picture.graduation(value, false));
        photo.sample.marks.graduations.push_back(mark);
    }
}

} // namespace

namespace {

SamplePhoto photographedDial(DialPicture& dial, double value, bool tilted) {
    dial.setValue(value);
    Photographed photo = photograph(dial, QSize(620, 620), tilted);
    photo.sample.truth = {value};
    photo.sample.marks.shape = ScaleShape::Round;
    photo.sample.marks.centre = photo.seen(dial.centre());
    const auto [low, high] = dial.span();
    for (const double share : tilted ? std::vector{0.0, 0.3, 0.6, 1.0} : std::vector{0.0, 1.0}) {
        const double at = std::lerp(low, high, share);
        photo.sample.marks.graduations.push_back({at, photo.seen(dial.needleTip(at)), std::nullopt});
    }
    photo.sample.marks.sights = {photo.seen(dial.needleTip(value))};
    return photo.sample;
}

} // namespace

SamplePhoto sampleDial(const PressureInstrument& instrument, double value, double roomPascal, bool tilted) {
    DialPicture dial(QStringLiteral("sampleDial"));
    dial.setInstrument(instrument, roomPascal);
    return photographedDial(dial, value, tilted);
}

SamplePhoto sampleTube(const PressureInstrument& instrument, double difference, bool tilted) {
    UTubePicture tube(QStringLiteral("sampleTube"));
    tube.setInstrument(instrument);
    tube.setValue(difference);
    tube.setFigures(false);
    Photographed photo = photograph(tube, QSize(520, 900), tilted);
    const GaugeReading reading = readingAt(instrument, difference);
    photo.sample.truth = {reading.first, reading.second.value_or(0.0)};
    const double printed = roundStep(0.1 * instrument.armSum); // graduations that carry a number
    markScale(photo, tube, printed, printed * std::floor(0.9 * instrument.armSum / printed));
    photo.sample.marks.sights = {photo.seen(tube.meniscus(true)), photo.seen(tube.meniscus(false))};
    return photo.sample;
}

SamplePhoto sampleThermometer(const Thermometer& thermometer, double value, bool tilted) {
    if (thermometer.kind == ThermometerKind::Dial) {
        DialPicture dial(QStringLiteral("sampleThermometerDial"));
        dial.setInstrument(thermometer);
        return photographedDial(dial, value, tilted);
    }
    ThermometerPicture picture(QStringLiteral("sampleThermometer"));
    picture.setInstrument(thermometer);
    picture.setValue(value);
    Photographed photo = photograph(picture, QSize(150, 900), tilted);
    photo.sample.truth = {value};
    const Unit& u = unit(thermometer.unit);
    constexpr double kTen = 10.0; // of the scale: a graduation with its number
    markScale(photo, picture, kTen * std::round(u.fromSi(kIcePointKelvin) / kTen),
              kTen * std::round(u.fromSi(kIcePointKelvin + 100.0) / kTen));
    photo.sample.marks.sights = {photo.seen(picture.columnEnd(value))};
    return photo.sample;
}

SamplePhoto sampleBarometer(const MercuryReading& reading, bool tilted) {
    VernierPicture picture(QStringLiteral("sampleVernier"));
    picture.resize(QSize(300, 560)); // before the reading, which it puts in its middle
    picture.setInstrument(reading);
    Photographed photo = photograph(picture, picture.size(), tilted);
    photo.sample.truth = {reading.value()};
    const double five = 5.0 * reading.mainDivision;
    const double below = five * std::floor(reading.value() / five);
    markScale(photo, picture, below - five, below + five);
    photo.sample.marks.sights = {photo.seen(picture.zeroLine(reading.value()))};
    return photo.sample;
}

} // namespace uttrin::app
