#include "RigGuide.h"

#include "app/controls/OnScreen.h"
#include "rehearsal/StoryFigures.h"
#include "rehearsal/card/ToldCard.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QTextBrowser>

namespace uttrin::app {
namespace {

QString htmlList(const QString& title, const std::vector<Text>& items, const char* tag) {
    if (items.empty()) return {};
    QString html = QStringLiteral("<h4>%1</h4><%2>").arg(title, QLatin1String(tag));
    for (const Text& item : items)
        html += QStringLiteral("<li>%1</li>").arg(onScreen(item).toHtmlEscaped());
    return html + QStringLiteral("</%1>").arg(QLatin1String(tag));
}

QString cardOf(const RigStory& story, const RigSetup& setup) {
    QString html;
    for (const auto& section : toldCard(story, setup).sections)
        html += htmlList(onScreen(section.title), section.lines, "ul");
    return html;
}

} // namespace

RigGuide::RigGuide(QWidget* parent) : QWidget(parent), m_text(new QTextBrowser) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    m_text->setObjectName(QStringLiteral("rigGuide"));
    m_text->setAccessibleName(tr("Guide to the demonstration"));
    column->addWidget(m_text, 1);
    auto* files = new QHBoxLayout;
    auto* open = new QPushButton(tr("Open a rig file…"));
    open->setObjectName(QStringLiteral("openRig"));
    auto* save = new QPushButton(tr("Save this rig as…"));
    save->setObjectName(QStringLiteral("saveRig"));
    auto* keep = new QPushButton(tr("Keep it…"));
    keep->setObjectName(QStringLiteral("keepRig"));
    keep->setToolTip(tr("Among your own rigs, as it is set now, for every lesson"));
    connect(keep, &QPushButton::clicked, this, &RigGuide::keepRequested);
    files->addWidget(open);
    files->addWidget(keep);
    files->addWidget(save);
    files->addStretch();
    column->addLayout(files);
    connect(open, &QPushButton::clicked, this, &RigGuide::openRequested);
    connect(save, &QPushButton::clicked, this, &RigGuide::saveRequested);
}

void RigGuide::show(const RigFile& rig, int variant, const RigSetup& setup, const Rehearsal* played,
                    const std::vector<Text>& fill) {
    const ToldStory s = toldStory(rig.story(variant), played);
    std::vector<Text> variants;
    for (const RigVariant& v : rig.variants())
        if (!v.says.empty()) variants.push_back(Text::set("{}: {}", Text::data(v.name), Text::data(v.says)));
    const QString html =
        QStringLiteral("<h3>%1</h3><p>%2</p>")
            .arg(onScreen(Text::data(rig.name())).toHtmlEscaped(), onScreen(s.aim).toHtmlEscaped()) +
        htmlList(tr("Cautions"), s.cautions, "ul") + htmlList(tr("Variants"), variants, "ul") +
        htmlList(tr("What to fetch"), s.materials, "ul") + htmlList(tr("How full"), fill, "ul") +
        cardOf(rig.story(variant), setup) + htmlList(tr("Steps"), s.steps, "ol") +
        htmlList(tr("What to look for"), s.lookFor, "ul") +
        QStringLiteral("<h4>%1</h4><p>%2</p>").arg(tr("The physics"), onScreen(s.physics).toHtmlEscaped()) +
        htmlList(tr("Usual mistakes"), s.mistakes, "ul") +
        QStringLiteral("<p>%1</p>")
            .arg(tr("Local rules, the vessel maker’s rating and qualified staff come first."));
    if (html == m_shown) return; // keeps its place on the page
    m_shown = html;
    m_text->setHtml(html);
}

} // namespace uttrin::app

#include "moc_RigGuide.cpp"
