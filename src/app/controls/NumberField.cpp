#include "NumberField.h"

#include "FieldEdit.h"
#include "Grid.h"
#include "Labels.h"
#include "OnScreen.h"

#include <QAbstractScrollArea>
#include <QAccessible>
#include <QEvent>
#include <QHBoxLayout>
#include <QLocale>
#include <QStyle>
#include <QVBoxLayout>

#include <algorithm>

namespace uttrin::app {

NumberField::NumberField(const QString& label, const QString& unit, const QString& name, QWidget* parent)
    : QWidget(parent), m_label(makeLabel(label, "muted")), m_edit(new FieldEdit),
      m_unit(makeLabel(unit, "muted")) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(grid::kHalfStep);
    column->addWidget(m_label);
    auto* row = new QHBoxLayout;
    row->setSpacing(grid::kStep);
    row->addWidget(m_edit, 1);
    row->addWidget(m_unit);
    column->addLayout(row);
    m_label->setWordWrap(false);
    m_unit->setWordWrap(false);
    m_edit->setObjectName(name);
    m_edit->setAccessibleName(label + QLatin1String(", ") + unit);
    m_label->setBuddy(m_edit);
    m_edit->setAlignment(Qt::AlignRight);
    m_edit->setLeastWidth(72);
    m_label->setVisible(!label.isEmpty());
    m_unit->setVisible(!unit.isEmpty());
    connect(m_edit, &QLineEdit::textEdited, this, [this] {
        judge();
        emit edited();
    });
    connect(m_edit, &QLineEdit::editingFinished, this, [this] {
        if (m_edit->text() == m_committedText) return;
        m_committedText = m_edit->text();
        emit committed();
    });
}

QString NumberField::error() const {
    if (m_edit->text().trimmed().isEmpty() || value()) return {};
    return canBeReadTwoWays(m_edit->text()) ? tr("This can be read two ways. Write a thousand without a "
                                                 "separator, and decimals behind %1.")
                                                  .arg(QLocale().decimalPoint())
                                            : tr("This is not a number. Type digits, for instance −0.7.");
}

void NumberField::judge() {
    const QString error = this->error();
    if (m_edit->accessibleDescription() == error) return;
    m_edit->setAccessibleDescription(error);
    if (m_edit->property("wrong").toBool() == error.isEmpty()) {
        m_edit->setProperty("wrong", !error.isEmpty());
        m_edit->style()->unpolish(m_edit);
        m_edit->style()->polish(m_edit);
        QAccessible::State changed;
        changed.invalid = true;
        QAccessibleStateChangeEvent event(m_edit, changed);
        QAccessible::updateAccessibility(&event);
    }
    placeError();
}

namespace {

/// What scrolls with a widget, or its window: what is laid over others belongs there.
QWidget* groundOf(QWidget* widget) {
    QWidget* ground = widget;
    while (!ground->isWindow() && ground->parentWidget() &&
           !qobject_cast<QAbstractScrollArea*>(ground->parentWidget()->parentWidget()))
        ground = ground->parentWidget();
    return ground;
}

} // namespace

void NumberField::placeError() {
    const QString error = m_edit->accessibleDescription();
    if (error.isEmpty() || !isVisible()) {
        if (m_error) m_error->hide();
        return;
    }
    QWidget* ground = groundOf(this);
    if (!m_error) {
        m_error = makeLabel({}, "caution", ground);
        m_error->setObjectName(m_edit->objectName() + QStringLiteral("Error"));
        m_error->setAttribute(Qt::WA_TransparentForMouseEvents);
        connect(this, &QObject::destroyed, m_error, &QObject::deleteLater);
    }
    m_error->setText(QStringLiteral("\u26A0 ") + error);
    constexpr int kWidest = 300, kUnder = 6, kEdge = 4;
    const QPoint under = m_edit->mapTo(ground, QPoint(0, m_edit->height() + kUnder));
    const int wide = std::min({kWidest, m_error->sizeHint().width(), ground->width() - 2 * kEdge});
    const int high = m_error->heightForWidth(wide);
    const int left = std::clamp(under.x(), kEdge, std::max(kEdge, ground->width() - wide - kEdge));
    const bool below = under.y() + high <= ground->height();
    m_error->setGeometry(left, below ? under.y() : m_edit->mapTo(ground, QPoint(0, -kUnder)).y() - high, wide,
                         high);
    m_error->show();
    m_error->raise();
}

bool NumberField::event(QEvent* event) {
    const bool done = QWidget::event(event);
    switch (event->type()) {
    case QEvent::Show:
    case QEvent::Hide:
    case QEvent::Move:
    case QEvent::Resize:
        placeError();
        break;
    default:
        break;
    }
    return done;
}

std::optional<double> NumberField::value() const { return typedNumber(m_edit->text()); }

void NumberField::setValue(std::optional<double> value) {
    if (m_edit->hasFocus() && value == this->value()) return; // do not disturb what is being typed
    m_edit->setText(value ? fieldText(*value) : QString());
    m_committedText = m_edit->text();
    judge();
}

void NumberField::setUnit(const QString& unit) {
    m_unit->setText(unit);
    m_unit->setVisible(!unit.isEmpty());
    m_edit->setAccessibleName(m_label->text() + QLatin1String(", ") + unit);
}

void NumberField::setLabel(const QString& label) {
    m_label->setText(label);
    m_label->setVisible(!label.isEmpty());
    m_edit->setAccessibleName(label + QLatin1String(", ") + m_unit->text());
}

void NumberField::wrapLabel() { m_label->setWordWrap(true); }

void NumberField::setBig() { m_edit->setProperty("big", true); }

} // namespace uttrin::app

#include "moc_NumberField.cpp"
