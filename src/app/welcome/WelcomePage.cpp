#include "WelcomePage.h"

#include "NotebookCard.h"
#include "app/controls/Card.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/ScrollColumn.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {
namespace {

constexpr int kMostCards = 6;

} // namespace

WelcomePage::WelcomePage(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("page"));
    setAutoFillBackground(true);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(grid::kAround);
    row->setSpacing(grid::kMargin);
    row->addWidget(buildWays(), 1);
    row->addWidget(buildRecent(), 1);
}

QWidget* WelcomePage::buildWays() {
    auto* ways = new ScrollColumn;
    ways->setWidths(400, 620);
    auto* column = ways->column();
    column->setSpacing(grid::kMargin);
    column->addWidget(makeLabel(QStringLiteral("Uttrin"), "figure"));
    column->addWidget(makeLabel(tr("What have you before you?"), "title"));
    const auto way = [&](const QString& name, const QString& says, const char* object, auto signal,
                         bool main = false) {
        auto* card = new Card;
        auto* button = new QPushButton(name);
        button->setObjectName(QLatin1String(object));
        if (main) setRole(button, "main");
        connect(button, &QPushButton::clicked, this, signal);
        card->column()->addWidget(button);
        card->column()->addWidget(makeLabel(says, "muted"));
        column->addWidget(card);
    };
    way(tr("A lab"),
        tr("Boiling points at reduced pressure: plan, measure, work up and report. Starts a new notebook, "
           "one file."),
        "welcomeNew", &WelcomePage::newRequested, true);
    way(tr("A demonstration"),
        tr("Rigs to rehearse with your own room and amounts before the class sees them."),
        "welcomeDemonstration", &WelcomePage::demonstrationRequested);
    way(tr("A number to look up"),
        tr("What a gauge reading means here: absolute pressure, and where water boils at it."),
        "welcomeNumber", &WelcomePage::numberRequested);
    way(tr("Nothing yet: practise"),
        tr("The sample lesson, with made-up readings: try everything on a copy of it."), "welcomeSample",
        &WelcomePage::sampleRequested);
    column->addStretch();
    return ways;
}

QWidget* WelcomePage::buildRecent() {
    auto* recent = new ScrollColumn;
    recent->setWidths(380, 620);
    m_recent = recent->column();
    m_recent->setSpacing(grid::kMargin);
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("Notebooks"), "title"), 1);
    auto* open = new QPushButton(tr("Open a notebook…"));
    open->setObjectName(QStringLiteral("welcomeOpen"));
    connect(open, &QPushButton::clicked, this, &WelcomePage::openRequested);
    head->addWidget(open);
    m_recent->addLayout(head);
    m_recent->addStretch();
    return recent;
}

void WelcomePage::showRecent(const QStringList& paths, long long now) {
    m_paths = paths;
    m_now = now;
    if (isVisible()) buildCards(); // else they are looked into when somebody looks at the page
}

void WelcomePage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    buildCards();
}

void WelcomePage::buildCards() {
    for (QWidget* card : std::as_const(m_cards))
        delete card;
    m_cards.clear();
    const QStringList shown = m_paths.mid(0, kMostCards);
    for (const QString& path : shown) {
        auto* card = new NotebookCard(path, glanceAt(path.toStdString()), m_now);
        card->setObjectName(QStringLiteral("notebook_%1").arg(m_cards.size()));
        connect(card, &QAbstractButton::clicked, this, [this, path] { emit notebookPicked(path); });
        m_cards << card;
    }
    if (m_cards.isEmpty())
        m_cards << makeLabel(
            tr("Notebooks that you open are listed here with what is in them. Every reading is on disk "
               "before the screen says so."),
            "muted");
    for (int i = 0; i < m_cards.size(); ++i)
        m_recent->insertWidget(i + 1, m_cards[i]);
}

} // namespace uttrin::app

#include "moc_WelcomePage.cpp"
