#pragma once

#include "Driver.h"
#include "support/SeenTexts.h"

#include <QAbstractItemView>
#include <QComboBox>
#include <QLineEdit>
#include <QScrollArea>

#include <algorithm>
#include <cmath>
#include <string>

namespace uttrin::testing {

[[nodiscard]] inline QString calledSo(const QWidget& w) {
    return QStringLiteral("%1 %2").arg(QLatin1String(w.metaObject()->className()), w.objectName());
}

/// Whether a widget stands in an area that is scrolled, and so may lie partly outside it.
[[nodiscard]] inline bool isScrolled(const QWidget& w) {
    return qobject_cast<const QAbstractScrollArea*>(w.parentWidget()) != nullptr;
}

/// What paints a text lies within what it stands in: beyond it, it is cut off. A column may be scrolled down,
/// a page that is wider than a small window aside. @return what is wrong; empty if nothing.
[[nodiscard]] inline QStringList placedOutside(const QWidget& w) {
    constexpr int kHair = 2; // px
    QStringList wrong;
    for (const QWidget* in = &w; !in->isWindow() && in->parentWidget(); in = in->parentWidget()) {
        const QWidget& around = *in->parentWidget();
        if (qobject_cast<QHeaderView*>(around.parentWidget())) return wrong;
        const bool scrolled = qobject_cast<QAbstractScrollArea*>(around.parentWidget()) != nullptr;
        const auto* pages = qobject_cast<QScrollArea*>(around.parentWidget());
        const bool wide = pages && pages->horizontalScrollBarPolicy() != Qt::ScrollBarAlwaysOff;
        const QRect room = around.rect().adjusted(-kHair, -kHair, kHair, kHair), place = in->geometry();
        if (!wide && (place.left() < room.left() || place.right() > room.right()))
            wrong << QStringLiteral("%1 ends at %2 of %3")
                         .arg(calledSo(*in))
                         .arg(place.right())
                         .arg(around.width());
        if (!scrolled && (place.top() < room.top() || place.bottom() > room.bottom()))
            wrong << QStringLiteral("%1 ends at %2 of %3 below")
                         .arg(calledSo(*in))
                         .arg(place.bottom())
                         .arg(around.height());
    }
    return wrong;
}

/// Texts that a widget paints beyond its own edges, or beyond what it clips itself to.
[[nodiscard]] inline QStringList paintedOutside(const QWidget& w, const std::vector<PaintedText>& painted) {
    QStringList wrong;
    if (isScrolled(w) || qobject_cast<const QLineEdit*>(&w)) return wrong;
    constexpr double kHair = 2.0; // px
    for (const auto& p : painted) {
        const QRectF inside = p.visible.adjusted(-kHair, -kHair, kHair, kHair);
        constexpr double kSeen = 0.5; // px: narrower is what keeps words together
        if (p.box.width() > kSeen && !p.text.trimmed().isEmpty() && !inside.contains(p.box))
            wrong << QStringLiteral("'%1' from %2 to %3, %4 to %5, beyond the edge of %6 x %7")
                         .arg(p.text)
                         .arg(p.box.left())
                         .arg(p.box.right())
                         .arg(p.box.top())
                         .arg(p.box.bottom())
                         .arg(p.visible.width())
                         .arg(p.visible.height());
    }
    return wrong;
}

/// Texts that end in an ellipsis which nobody wrote.
[[nodiscard]] inline QStringList shortened(const QWidget& w, const std::vector<PaintedText>& painted) {
    QStringList wrong;
    QString own =
        w.property("text").toString() + w.property("currentText").toString() + w.property("title").toString();
    if (const auto* view = qobject_cast<const QAbstractItemView*>(w.parentWidget()); view && view->model())
        for (int r = 0; r < view->model()->rowCount(); ++r)
            for (int c = 0; c < view->model()->columnCount(); ++c)
                own += view->model()->index(r, c).data().toString();
    for (const auto& p : painted)
        if (p.text.endsWith(QChar(0x2026)) && !own.contains(QChar(0x2026)))
            wrong << QStringLiteral("'%1' is shortened").arg(p.text);
    return wrong;
}

/// What a widget is called when something is wrong with it.
[[nodiscard]] inline std::string called(const QWidget* w) { return calledSo(*w).toStdString(); }

/// Contrast of two colours as WCAG 2.1 defines it.
[[nodiscard]] inline double contrastOf(const QColor& a, const QColor& b) {
    const auto luminance = [](const QColor& c) {
        const auto linear = [](double v) {
            return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
        };
        return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
    };
    const double la = luminance(a), lb = luminance(b);
    return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

/// All that is cut off of what a window shows now.
[[nodiscard]] inline QStringList cutOff(QWidget& top) {
    QStringList wrong;
    QList<QWidget*> all = top.findChildren<QWidget*>();
    all.prepend(&top);
    for (QWidget* w : all) {
        if (!w->isVisibleTo(&top) || (w != &top && w->isWindow())) continue;
        const auto painted = paintedTexts(*w);
        if (painted.empty()) continue;
        for (const QString& what : placedOutside(*w) + paintedOutside(*w, painted) + shortened(*w, painted))
            wrong << calledSo(*w) + QStringLiteral(": ") + what;
    }
    return wrong;
}

/// Nothing of the station that is shown is cut off, in every size, on paper, on the projector and with text
/// twice as large.
inline void expectSeenWhole(Driver& d) {
    for (const app::Theme& theme :
         {app::Theme::paper(), app::Theme::projector(), app::Theme::paper().at(200)}) {
        app::applyTheme(theme);
        d.controller.refresh();
        for (const QSize size : {QSize(960, 540), QSize(1024, 700), QSize(1280, 800), QSize(1920, 1080)}) {
            d.window.resize(size);
            Driver::settleWhole(d.window);
            const QStringList wrong = cutOff(d.window);
            EXPECT_TRUE(wrong.isEmpty()) << theme.name.toStdString() << " at " << size.width() << ":\n  "
                                         << wrong.join(QStringLiteral("\n  ")).toStdString();
        }
    }
}

} // namespace uttrin::testing
