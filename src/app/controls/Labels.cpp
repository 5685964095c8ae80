#include "Labels.h"

#include "Grid.h"
#include "quantities/KeptTogether.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QStyle>

namespace uttrin::app {
namespace {

constexpr const char* kSpokenRole = "spokenRole";

} // namespace

Words::Words(const QString& text, QWidget* parent) : QLabel(parent) { setText(text); }

void Words::setText(const QString& text) {
    QLabel::setText(QString::fromStdString(keptTogether(text.toStdString())));
}

QString Words::text() const { return QString::fromStdString(asWritten(QLabel::text().toStdString())); }

void setRole(QWidget* widget, const char* role) {
    const QVariant wanted = role ? QVariant(QLatin1String(role)) : QVariant();
    if (widget->property("role") == wanted) return; // restyling is slow
    widget->setProperty("role", wanted);
    widget->style()->unpolish(widget);
    widget->style()->polish(widget);
}

void setSpokenRole(QWidget* widget, QAccessible::Role role) {
    widget->setProperty(kSpokenRole, static_cast<int>(role));
}

std::optional<QAccessible::Role> spokenRoleOf(const QWidget& widget) {
    const QVariant role = widget.property(kSpokenRole);
    return role.isValid() ? std::optional(static_cast<QAccessible::Role>(role.toInt())) : std::nullopt;
}

QString plainCaption(QString caption) {
    static const QString mark = QStringLiteral("&");
    return caption.replace(QStringLiteral("&&"), QStringLiteral("\x01")).remove(mark).replace(QChar(1), mark);
}

Words* makeLabel(const QString& text, const char* role, QWidget* parent) {
    auto* label = new Words(text, parent);
    label->setWordWrap(true);
    label->setTextFormat(Qt::PlainText);
    if (role) setRole(label, role);
    return label;
}

void keepFocusOrder(QWidget* container) {
    QWidget* before = container->previousInFocusChain();
    while (before != container && (before->focusPolicy() == Qt::NoFocus || container->isAncestorOf(before)))
        before = before->previousInFocusChain();
    const auto inside = container->findChildren<QWidget*>();
    for (QWidget* w : inside) {
        if (w->focusPolicy() == Qt::NoFocus || w->window() != container->window())
            continue; // a list that pops up
        QWidget::setTabOrder(before, w);
        before = w;
    }
}

void emptyLayout(QLayout& layout) {
    while (QLayoutItem* item = layout.takeAt(0)) {
        if (QWidget* widget = item->widget()) {
            widget->hide();
            widget->deleteLater();
            widget->setParent(nullptr);
        }
        delete item;
    }
}

QLayout* centred(QWidget* widget) {
    auto* row = new QHBoxLayout;
    row->addStretch();
    row->addWidget(widget);
    row->addStretch();
    return row;
}

QPushButton* makeLink(const QString& text, const char* name, const QString& tip) {
    auto* link = new QPushButton(text);
    link->setObjectName(QLatin1String(name));
    link->setToolTip(tip);
    setRole(link, "link");
    return link;
}

QWidget* besideLabel(const QString& label, QWidget* widget) {
    auto* both = new QWidget;
    auto* row = new QHBoxLayout(both);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kStep);
    auto* caption = makeLabel(label, "muted");
    caption->setWordWrap(false);
    caption->setBuddy(widget);
    row->addWidget(caption);
    row->addWidget(widget, 1);
    both->setSizePolicy(widget->sizePolicy().horizontalPolicy(),
                        widget->layout() && widget->layout()->hasHeightForWidth() ? QSizePolicy::Preferred
                                                                                  : QSizePolicy::Fixed);
    return both;
}

QVBoxLayout* labelled(const QString& label, QWidget* widget) {
    auto* column = new QVBoxLayout;
    column->setSpacing(grid::kHalfStep);
    auto* caption = makeLabel(label, "muted");
    caption->setBuddy(widget);
    column->addWidget(caption);
    column->addWidget(widget);
    return column;
}

} // namespace uttrin::app

#include "moc_Labels.cpp"
