#include "Faces.h"

#include "app/controls/Segments.h"

#include <algorithm>
#include <utility>

namespace uttrin::app {

Faces::Faces(QString title, QStringList names, QStringList tips)
    : m_title(std::move(title)), m_names(std::move(names)), m_tips(std::move(tips)) {}

Segments* Faces::makeChoice(const QString& name) {
    auto* choice = new Segments(name, m_title);
    choice->setChoices(m_names);
    for (int i = 0; i < m_tips.size(); ++i)
        choice->button(i)->setToolTip(m_tips[i]);
    connect(choice, &Segments::picked, this, [this](int face) {
        showFace(face);
        for (Segments* same : m_choices)
            if (same->isVisible()) same->button(face)->setFocus(); // the one that was pressed is hidden now
        emit picked(face);
    });
    m_choices.push_back(choice);
    return choice;
}

void Faces::showFace(int face) {
    setCurrentIndex(std::clamp(face, 0, count() - 1));
    for (Segments* choice : m_choices)
        choice->choose(currentIndex());
}

} // namespace uttrin::app

#include "moc_Faces.cpp"
