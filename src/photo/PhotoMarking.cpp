#include "PhotoMarking.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

Text nameOf(const MarkStep& step) {
    switch (step.kind) {
    case MarkKind::Centre:
        return Text::tr("the centre of the dial");
    case MarkKind::Graduation:
        return Text::tr("graduation {}", step.number);
    case MarkKind::OtherEnd:
        return Text::tr("the other end of graduation {}", step.number);
    case MarkKind::Sight:
        break;
    }
    return step.number == 1 ? Text::tr("what is to be read") : Text::tr("the second level");
}

} // namespace

PhotoMarking::PhotoMarking(const PhotoMarks& m) : m_clockwise(m.clockwise), m_placingPx(m.placingPx) {
    arrange(m.shape, m.tilted, static_cast<int>(m.sights.size()));
    for (MarkStep& s : m_steps) {
        const auto index = static_cast<std::size_t>(s.number - 1);
        switch (s.kind) {
        case MarkKind::Centre:
            s.at = m.centre;
            break;
        case MarkKind::Graduation:
            if (index >= m.graduations.size()) break;
            s.at = m.graduations[index].at;
            s.value = m.graduations[index].value;
            break;
        case MarkKind::OtherEnd:
            if (index < m.graduations.size()) s.at = m.graduations[index].otherEnd;
            break;
        case MarkKind::Sight:
            s.at = m.sights[index];
            break;
        }
    }
}

void PhotoMarking::arrange(ScaleShape shape, bool tilted, int sights) {
    m_shape = shape;
    m_tilted = tilted;
    std::vector<MarkStep> wanted;
    if (shape == ScaleShape::Round) wanted.push_back({MarkKind::Centre, 1, std::nullopt});
    for (int i = 1; i <= static_cast<int>(graduationsNeeded(shape, tilted)); ++i) {
        wanted.push_back({MarkKind::Graduation, i, std::nullopt});
        if (shape == ScaleShape::Straight && tilted) wanted.push_back({MarkKind::OtherEnd, i, std::nullopt});
    }
    for (int i = 1; i <= std::max(1, sights); ++i)
        wanted.push_back({MarkKind::Sight, i, std::nullopt});
    for (MarkStep& s : wanted) {
        const auto kept = std::ranges::find_if(
            m_steps, [&](const MarkStep& old) { return old.kind == s.kind && old.number == s.number; });
        if (kept != m_steps.end()) s = *kept;
    }
    m_steps = std::move(wanted);
}

void PhotoMarking::clear() {
    for (MarkStep& s : m_steps)
        s.at.reset();
}

std::optional<std::size_t> PhotoMarking::next() const {
    const auto open = std::ranges::find_if(m_steps, [](const MarkStep& s) { return !s.at; });
    if (open == m_steps.end()) return std::nullopt;
    return static_cast<std::size_t>(open - m_steps.begin());
}

std::optional<std::size_t> PhotoMarking::nearest(PhotoPoint point, double within) const {
    std::optional<std::size_t> best;
    double least = within;
    for (std::size_t i = 0; i < m_steps.size(); ++i) {
        if (!m_steps[i].at) continue;
        const double away = std::hypot(m_steps[i].at->x - point.x, m_steps[i].at->y - point.y);
        if (away > least) continue;
        least = away;
        best = i;
    }
    return best;
}

Result<PhotoMarks> PhotoMarking::marks() const {
    PhotoMarks m;
    m.shape = m_shape;
    m.tilted = m_tilted;
    m.clockwise = m_clockwise;
    m.placingPx = m_placingPx;
    for (const MarkStep& s : m_steps) {
        if (!s.at) return fail(Failure::BadInput, Text::tr("Mark {}.", nameOf(s)));
        if (s.kind == MarkKind::Graduation && !s.value)
            return fail(Failure::BadInput, Text::tr("Type what is printed at graduation {}.", s.number));
        switch (s.kind) {
        case MarkKind::Centre:
            m.centre = s.at;
            break;
        case MarkKind::Graduation:
            m.graduations.push_back({*s.value, *s.at, std::nullopt});
            break;
        case MarkKind::OtherEnd:
            m.graduations.back().otherEnd = s.at;
            break;
        case MarkKind::Sight:
            m.sights.push_back(*s.at);
            break;
        }
    }
    return m;
}

} // namespace uttrin
