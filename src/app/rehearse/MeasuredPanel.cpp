#include "MeasuredPanel.h"

#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QHBoxLayout>
#include <QPlainTextEdit>
#include <QPushButton>

namespace uttrin::app {
namespace {

QPlainTextEdit* lineEdit(const char* name, const QString& accessible, const QString& example) {
    auto* edit = new QPlainTextEdit;
    edit->setObjectName(QLatin1String(name));
    edit->setAccessibleName(accessible);
    edit->setPlaceholderText(example);
    edit->setTabChangesFocus(true);
    edit->setMaximumHeight(74);
    return edit;
}

QString joined(const std::vector<Text>& lines) {
    QStringList all;
    for (const Text& line : lines)
        all << onScreen(line);
    return all.join(QLatin1Char(' '));
}

} // namespace

MeasuredPanel::MeasuredPanel(QWidget* parent) : QWidget(parent) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    auto *measured = new Card, *ready = new Card;
    for (Card* card : {measured, ready}) {
        card->column()->setContentsMargins(grid::kAround);
        card->column()->setSpacing(grid::kHalfStep);
        row->addWidget(card, 1);
    }
    auto* first = measured->column();
    first->addWidget(makeLabel(tr("What you read while it cools"), "heading"));
    auto* clock = new QHBoxLayout;
    m_clockLabel = makeLabel({}, "muted");
    m_clock = nameEdit("measuredClock", tr("Time at which the clock starts"));
    m_clock->setPlaceholderText(QStringLiteral("10:00"));
    m_clock->setMaximumWidth(74);
    m_target = nameEdit("measuredTarget", tr("Temperature to tell the time of, °C"));
    m_target->setText(QStringLiteral("65"));
    m_target->setMaximumWidth(60);
    clock->addWidget(m_clockLabel, 1);
    clock->addWidget(m_clock);
    first->addLayout(clock);
    m_readings = lineEdit("measuredReadings", tr("Readings: time and temperature, a line each"),
                          tr("10:12  84.0\n10:20  77.5"));
    first->addWidget(m_readings);
    auto* fit = new QPushButton(tr("Fit and predict"));
    fit->setObjectName(QStringLiteral("fitMeasured"));
    auto* below = new QHBoxLayout;
    below->addWidget(fit);
    below->addWidget(makeLabel(tr("when at, °C"), "muted"), 1);
    below->addWidget(m_target);
    first->addLayout(below);
    m_fitText = makeLabel({}, "muted");
    m_fitText->setObjectName(QStringLiteral("fitText"));
    first->addWidget(m_fitText);
    m_back = new QPushButton(tr("Back to the forecast"));
    m_back->setObjectName(QStringLiteral("backToForecast"));
    m_back->setToolTip(tr("The rehearsal as it was before it was fitted to your readings"));
    m_back->hide();
    first->addWidget(m_back, 0, Qt::AlignLeft);
    first->addStretch();
    auto* second = ready->column();
    second->addWidget(makeLabel(tr("Be ready at the minute"), "heading"));
    second->addWidget(makeLabel(tr("What each vessel should be at, and when:"), "muted"));
    m_wanted = lineEdit("wantedMoments", tr("Wanted: time and temperature, a line each"),
                        tr("10:41  65\n10:55  40"));
    second->addWidget(m_wanted);
    auto* plan = new QPushButton(tr("Work back from there"));
    plan->setObjectName(QStringLiteral("planReady"));
    second->addWidget(plan, 0, Qt::AlignLeft);
    m_readyText = makeLabel({}, "muted");
    m_readyText->setObjectName(QStringLiteral("readyText"));
    second->addWidget(m_readyText);
    second->addStretch();
    connect(fit, &QPushButton::clicked, this, &MeasuredPanel::fitWanted);
    connect(m_back, &QPushButton::clicked, this, [this] {
        m_back->hide();
        m_fitText->clear();
        emit forecastWanted();
    });
    connect(plan, &QPushButton::clicked, this, &MeasuredPanel::readyWanted);
}

void MeasuredPanel::showRig(const QString& id, const QString& clockMove) {
    if (id != m_rig) {
        m_typed[m_rig] = {m_clock->text(), m_readings->toPlainText(), m_wanted->toPlainText()};
        m_rig = id;
        const Typed& own = m_typed[id];
        m_clock->setText(own.clock);
        m_readings->setPlainText(own.readings);
        m_wanted->setPlainText(own.wanted);
    }
    m_back->hide();
    m_clockLabel->setText(clockMove.isEmpty() ? tr("begun at") : tr("%1 at").arg(clockMove));
    m_fitText->clear();
    m_readyText->clear();
}

std::optional<std::vector<MeasuredMoment>> MeasuredPanel::readings() {
    const auto clock = parseClock(m_clock->text().toStdString());
    const auto moments = parseMoments(m_readings->toPlainText().toStdString());
    if (!clock || !moments) {
        m_fitText->setText(onScreen(!clock ? clock.error().message : moments.error().message));
        return std::nullopt;
    }
    const auto since = sinceClock(*moments, *clock);
    if (since) return *since;
    m_fitText->setText(onScreen(since.error().message));
    return std::nullopt;
}

std::optional<std::vector<ClockMoment>> MeasuredPanel::wanted() {
    auto moments = parseMoments(m_wanted->toPlainText().toStdString());
    if (moments && !moments->empty()) return std::move(*moments);
    m_readyText->setText(moments ? tr("Type a time and a temperature first, e.g. 10:41  65.")
                                 : onScreen(moments.error().message));
    return std::nullopt;
}

void MeasuredPanel::showFit(const CoolingFit& fit) {
    const auto clock = parseClock(m_clock->text().toStdString());
    if (!clock) return;
    m_back->show();
    m_fitText->setText(joined(fitSentences(fit, *clock, typedNumber(m_target->text()).value_or(65.0))));
}

void MeasuredPanel::showReady(const std::vector<Text>& lines) { m_readyText->setText(joined(lines)); }
void MeasuredPanel::showProblem(const QString& what) { m_fitText->setText(what); }

} // namespace uttrin::app

#include "moc_MeasuredPanel.cpp"
