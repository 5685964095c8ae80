#include "FlowLayout.h"

#include <QWidget>

#include <algorithm>

namespace uttrin::app {

FlowLayout::FlowLayout(QWidget* parent) : QLayout(parent) {}

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
    m_hints.clear();
    QLayout::invalidate();
}

QSize FlowLayout::hintOf(int index) const {
    if (m_hints.empty())
        for (const QLayoutItem* item : m_items)
            m_hints.push_back(item->sizeHint());
    return m_hints[static_cast<std::size_t>(index)];
}

std::vector<int> FlowLayout::rowEnds(int width) const {
    std::vector<int> ends;
    int used = 0;
    for (int i = 0; i < count(); ++i) {
        const int wide = hintOf(i).width();
        const bool first = i == (ends.empty() ? 0 : ends.back());
        if (!first && used + spacing() + wide > width) {
            ends.push_back(i);
            used = wide;
        } else
            used += (first ? 0 : spacing()) + wide;
    }
    if (count() > 0) ends.push_back(count());
    return ends;
}

int FlowLayout::rowHeight(int begin, int end) const {
    int high = 0;
    for (int i = begin; i < end; ++i)
        high = std::max(high, hintOf(i).height());
    return high;
}

int FlowLayout::heightForWidth(int width) const {
    int high = 0, begin = 0;
    for (const int end : rowEnds(width)) {
        high += (begin > 0 ? spacing() : 0) + rowHeight(begin, end);
        begin = end;
    }
    return high;
}

QSize FlowLayout::sizeHint() const {
    int wide = 0;
    for (int i = 0; i < count(); ++i)
        wide += (i > 0 ? spacing() : 0) + hintOf(i).width();
    return {wide, rowHeight(0, count())};
}

QSize FlowLayout::minimumSize() const {
    QSize least;
    for (const QLayoutItem* item : m_items)
        least = least.expandedTo(item->minimumSize());
    return least;
}

void FlowLayout::setGeometry(const QRect& rect) {
    QLayout::setGeometry(rect);
    int begin = 0, y = rect.y();
    for (const int end : rowEnds(rect.width())) {
        const int things = end - begin, high = rowHeight(begin, end);
        int left = rect.width() - spacing() * (things - 1);
        for (int i = begin; i < end; ++i)
            left -= hintOf(i).width();
        int x = rect.x();
        for (int i = begin; i < end; ++i) {
            const int share = left / (end - i); // a row too narrow for its one thing takes from it
            const int wide = hintOf(i).width() + share;
            left -= share;
            itemAt(i)->setGeometry({x, y, wide, high});
            x += wide + spacing();
        }
        y += high + spacing();
        begin = end;
    }
}

} // namespace uttrin::app
