#include "WelcomePage.h"

#include "app/controls/Card.h"
#include "app/controls/Labels.h"

namespace uttrin::app {

WelcomePage::WelcomePage(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("page"));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(40, 60, 40, 40);
    auto* card = new Card;
    card->setFixedWidth(520);
    card->column()->setContentsMargins(32, 28, 32, 30);
    card->column()->setSpacing(12);
    card->column()->addWidget(makeLabel(QStringLiteral("Uttrin"), "figure"));
    card->column()->addWidget(makeLabel(tr("Boiling points at reduced pressure: plan, measure, work up and "
                                           "report, in the units of the dial in front of you.")));
    const auto button = [&](const QString& text, const char* name, auto signal) {
        auto* b = new QPushButton(text);
        b->setObjectName(QLatin1String(name));
        connect(b, &QPushButton::clicked, this, signal);
        card->column()->addWidget(b);
        return b;
    };
    setRole(button(tr("New notebook…"), "welcomeNew", &WelcomePage::newRequested), "main");
    button(tr("Open a notebook…"), "welcomeOpen", &WelcomePage::openRequested);
    button(tr("Look at the sample lesson"), "welcomeSample", &WelcomePage::sampleRequested);
    card->column()->addWidget(makeLabel(
        tr("A notebook is one file. Every reading is on disk before the screen says so."), "muted"));
    column->addLayout(centred(card));
    column->addStretch();
}

} // namespace uttrin::app

#include "moc_WelcomePage.cpp"
