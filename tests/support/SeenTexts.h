#pragma once

#include <QFontInfo>
#include <QHeaderView>
#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainter>
#include <QString>
#include <QWidget>

#include <vector>

namespace uttrin::testing {

/// A stretch of text as a widget paints it.
struct PaintedText {
    QString text;
    QRectF box;     ///< in the widget's coordinates
    QRectF visible; ///< what it may paint on: its own area, within what it clips itself to
    QColor colour;
    int px = 0; ///< size of its letters
    bool bold = false;
};

/// Paints nothing and takes down what texts are drawn where.
class TextRecorder : public QPaintEngine {
public:
    TextRecorder() : QPaintEngine(AllFeatures) {}
    bool begin(QPaintDevice*) override { return true; }
    bool end() override { return true; }
    void updateState(const QPaintEngineState&) override {}
    void drawPixmap(const QRectF&, const QPixmap&, const QRectF&) override {}
    void drawImage(const QRectF&, const QImage&, const QRectF&, Qt::ImageConversionFlags) override {}
    void drawTiledPixmap(const QRectF&, const QPixmap&, const QPointF&) override {}
    void drawPath(const QPainterPath&) override {}
    void drawPolygon(const QPointF*, int, PolygonDrawMode) override {}
    void drawPolygon(const QPoint*, int, PolygonDrawMode) override {}
    void drawTextItem(const QPointF& at, const QTextItem& item) override {
        const QTransform toDevice = painter()->combinedTransform();
        QRectF visible = area;
        if (painter()->hasClipping()) visible &= toDevice.mapRect(painter()->clipBoundingRect());
        texts.push_back({item.text(),
                         toDevice.mapRect(QRectF(at.x(), at.y() - item.ascent(), item.width(),
                                                 item.ascent() + item.descent())),
                         visible, painter()->pen().color(), QFontInfo(item.font()).pixelSize(),
                         item.font().weight() >= QFont::DemiBold});
    }
    [[nodiscard]] Type type() const override { return User; }

    QRectF area;
    std::vector<PaintedText> texts;
};

/// As large as a widget.
class RecordingDevice : public QPaintDevice {
public:
    explicit RecordingDevice(const QWidget& widget) : m_widget(widget) {
        m_engine.area = QRectF(widget.rect());
    }
    [[nodiscard]] QPaintEngine* paintEngine() const override { return &m_engine; }
    [[nodiscard]] const std::vector<PaintedText>& texts() const { return m_engine.texts; }

protected:
    [[nodiscard]] int metric(PaintDeviceMetric metric) const override {
        constexpr double kMillimetresPerInch = 25.4;
        switch (metric) {
        case PdmWidth:
            return m_widget.width();
        case PdmHeight:
            return m_widget.height();
        case PdmWidthMM:
            return qRound(m_widget.width() * kMillimetresPerInch / m_widget.logicalDpiX());
        case PdmHeightMM:
            return qRound(m_widget.height() * kMillimetresPerInch / m_widget.logicalDpiY());
        case PdmNumColors:
            return 1 << 24;
        case PdmDepth:
            return 32;
        case PdmDpiX:
        case PdmPhysicalDpiX:
            return m_widget.logicalDpiX();
        case PdmDpiY:
        case PdmPhysicalDpiY:
            return m_widget.logicalDpiY();
        case PdmDevicePixelRatio:
            return 1;
        case PdmDevicePixelRatioScaled:
            return static_cast<int>(devicePixelRatioFScale());
        }
        return 0;
    }

private:
    const QWidget& m_widget;
    mutable TextRecorder m_engine;
};

/// What a widget itself draws, without its children.
[[nodiscard]] inline std::vector<PaintedText> paintedTexts(QWidget& widget) {
    RecordingDevice device(widget);
    widget.render(&device, {}, {}, QWidget::RenderFlags());
    return device.texts();
}

} // namespace uttrin::testing
