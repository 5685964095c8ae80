#include "LineAnatomy.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "live/LiveDecoder.h"

#include <QPushButton>

#include <algorithm>

namespace uttrin::app {

const LiveValue* valueOfNumber(const LiveProfile& profile, int number) {
    const auto at = std::ranges::find_if(
        profile.values, [number](const LiveValue& v) { return v.begins.empty() && v.number == number; });
    return at == profile.values.end() ? nullptr : &*at;
}

LineAnatomy::LineAnatomy(QWidget* parent) : QWidget(parent), m_row(new FlowLayout(this)) {
    setObjectName(QStringLiteral("lineAnatomy"));
    setAccessibleName(tr("The line that came last, its numbers to be clicked"));
    m_row->setContentsMargins(0, 0, 0, 0);
}

void LineAnatomy::show(const QString& line, const LiveProfile& profile) {
    const std::string text = line.toStdString();
    const auto numbers = findNumbers(text, profile.decimal);
    QStringList words, shape;
    std::size_t at = 0;
    for (const FoundNumber& n : numbers) {
        words << QString::fromStdString(text.substr(at, n.at - at)).trimmed()
              << QString::fromStdString(text.substr(n.at, n.length));
        shape << words[words.size() - 2];
        at = n.at + n.length;
    }
    words << QString::fromStdString(text.substr(at)).trimmed();
    shape << words.back();
    const QString now = shape.join(QChar(1));
    if (now != m_shape) {
        m_shape = now;
        emptyLayout(*m_row);
        for (int i = 0; i < words.size(); ++i) {
            if (i % 2 == 0) {
                if (words[i].isEmpty()) continue;
                auto* label = makeLabel(words[i].left(60), "muted");
                label->setWordWrap(false);
                m_row->addFixed(label);
                continue;
            }
            auto* button = new QPushButton;
            const int number = i / 2 + 1;
            button->setObjectName(QStringLiteral("number%1").arg(number));
            button->setToolTip(tr("Click to say what this number is"));
            setRole(button, "segment");
            connect(button, &QPushButton::clicked, this, [this, number] { emit numberPicked(number); });
            m_row->addFixed(button);
        }
        keepFocusOrder(this);
    }
    for (int number = 1; number <= static_cast<int>(numbers.size()); ++number) {
        auto* button = findChild<QPushButton*>(QStringLiteral("number%1").arg(number));
        if (!button) continue;
        const LiveValue* value = valueOfNumber(profile, number);
        const QString figures = words[2 * number - 1];
        button->setText(value ? QStringLiteral("%1 %2").arg(figures, asIs(value->unit->display)) : figures);
        button->setCheckable(true);
        button->setChecked(value != nullptr);
    }
}

} // namespace uttrin::app

#include "moc_LineAnatomy.cpp"
