#include "FlowLayout.h"

#include "Grid.h"

#include <QWidget>

#include <algorithm>

namespace uttrin::app {

FlowLayout::FlowLayout(QWidget* parent) : QLayout(parent) {}

FlowLayout* FlowLayout::inRow() {
    auto* layout = new FlowLayout(new QWidget);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(grid::kStep);
    return layout;
}

void FlowLayout::addFixed(QWidget* widget) {
    widget->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    addWidget(widget);
}

FlowLayout::~FlowLayout() {
    for (const QLayoutItem* item : m_items)
        delete item;
}

void FlowLayout::addItem(QLayoutItem* item) {
    m_items.push_back(item);
    invalidate();
}

QLayoutItem* FlowLayout::itemAt(int index) const {
    return index >= 0 && index < count() ? m_items[static_cast<std::size_t>(index)] : nullptr;
}

QLayoutItem* FlowLayout::takeAt(int index) {
    QLayoutItem* item = itemAt(index);
    if (item) m_items.erase(m_items.begin() + index);
    invalidate();
    return item;
}

void FlowLayout::invalidate() {
    m_things.clear();
    QLayout::invalidate();
}

const std::vector<FlowLayout::Thing>& FlowLayout::things() const {
    if (m_things.empty())
        for (QLayoutItem* item : m_items)
            if (!item->isEmpty()) m_things.push_back({item, item->sizeHint()});
    return m_things;
}

std::vector<std::size_t> FlowLayout::rowEnds(int width) const {
    std::vector<std::size_t> ends;
    int used = 0;
    for (std::size_t i = 0; i < things().size(); ++i) {
        const int wide = things()[i].hint.width();
        const bool first = i == (ends.empty() ? 0 : ends.back());
        if (!first && used + spacing() + wide > width) {
            ends.push_back(i);
            used = wide;
        } else
            used += (first ? 0 : spacing()) + wide;
    }
    if (!things().empty()) ends.push_back(things().size());
    return ends;
}

std::vector<int> FlowLayout::widths(std::size_t begin, std::size_t end, int width) const {
    const auto grows = [this](std::size_t i) {
        const QWidget* widget = things()[i].item->widget();
        return !widget || (widget->sizePolicy().horizontalPolicy() & QSizePolicy::GrowFlag) != 0;
    };
    int left = width - spacing() * static_cast<int>(end - begin - 1), growing = 0;
    for (std::size_t i = begin; i < end; ++i) {
        left -= things()[i].hint.width();
        growing += grows(i) ? 1 : 0;
    }
    std::vector<int> all;
    for (std::size_t i = begin; i < end; ++i) {
        int share = 0;
        if (left < 0) // a row too narrow for its one thing takes from it
            share = left;
        else if (grows(i))
            share = left / growing--;
        left -= share;
        all.push_back(things()[i].hint.width() + share);
    }
    return all;
}

int FlowLayout::rowHeight(std::size_t begin, const std::vector<int>& wide) const {
    int high = 0;
    for (std::size_t k = 0; k < wide.size(); ++k) {
        const Thing& thing = things()[begin + k];
        high = std::max(high, thing.item->hasHeightForWidth() ? thing.item->heightForWidth(wide[k])
                                                              : thing.hint.height());
    }
    return high;
}

int FlowLayout::heightForWidth(int width) const {
    int high = 0;
    std::size_t begin = 0;
    for (const std::size_t end : rowEnds(width)) {
        high += (begin > 0 ? spacing() : 0) + rowHeight(begin, widths(begin, end, width));
        begin = end;
    }
    return high;
}

QSize FlowLayout::sizeHint() const {
    int wide = 0, high = 0;
    for (const Thing& thing : things()) {
        wide += (wide > 0 ? spacing() : 0) + thing.hint.width();
        high = std::max(high, thing.hint.height());
    }
    return {wide, high};
}

QSize FlowLayout::minimumSize() const {
    QSize least;
    for (const Thing& thing : things())
        least = least.expandedTo(thing.item->minimumSize());
    return least;
}

void FlowLayout::setGeometry(const QRect& rect) {
    QLayout::setGeometry(rect);
    std::size_t begin = 0;
    int y = rect.y();
    for (const std::size_t end : rowEnds(rect.width())) {
        const std::vector<int> wide = widths(begin, end, rect.width());
        const int high = rowHeight(begin, wide);
        int x = rect.x();
        for (std::size_t k = 0; k < wide.size(); ++k) {
            things()[begin + k].item->setGeometry({x, y, wide[k], high});
            x += wide[k] + spacing();
        }
        y += high + spacing();
        begin = end;
    }
}

} // namespace uttrin::app

#include "moc_FlowLayout.cpp"
