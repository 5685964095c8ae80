#include "ReportStation.h"

#include "app/conduct/ActAnalyses.h"
#include "app/controller/Dialogs.h"
#include "app/controls/Card.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Theme.h"
#include "files/WholeFile.h"
#include "lesson/actcommands/ActCommands.h"
#include "lesson/commands/LessonCommands.h"
#include "lesson/exchange/ActsExchange.h"
#include "lesson/exchange/Exports.h"
#include "lesson/exchange/ReadingsCsv.h"
#include "pdf/PdfReport.h"
#include "report/LabReport.h"
#include "report/PrepSheet.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFile>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {
namespace {

constexpr RowId kLab = 0, kPrep = -1, kTechnician = -2, kHandOver = -3,
                kWhole = -4; // papers that are no act's

} // namespace

ReportStation::ReportStation(LessonController& controller, ActAnalyses& analyses)
    : StationPage(controller), m_analyses(analyses) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(grid::kAround);
    row->setSpacing(grid::kMargin);
    auto* left = new QVBoxLayout;
    m_problem = makeLabel({}, "caution");
    m_pages = new QScrollArea;
    m_pages->setObjectName(QStringLiteral("reportPages"));
    setSpokenRole(m_pages, QAccessible::Document);
    m_pages->setAccessibleName(tr("Report as it prints"));
    m_pages->setWidgetResizable(true);
    m_pages->setAlignment(Qt::AlignHCenter);
    left->addWidget(m_problem);
    left->addWidget(m_pages, 1);
    row->addLayout(left, 1);

    auto* right = new ScrollColumn;
    right->setFixedWidth(330);
    const auto button = [&](Card* card, const QString& text, const char* name, auto slot, bool main = false) {
        auto* b = new QPushButton(text);
        b->setObjectName(QLatin1String(name));
        if (main) setRole(b, "main");
        connect(b, &QPushButton::clicked, this, slot);
        card->column()->addWidget(b);
    };
    auto* hand = new Card;
    hand->column()->addWidget(makeLabel(tr("Hand in"), "title"));
    m_papers = new QComboBox;
    m_papers->setObjectName(QStringLiteral("reportPaper"));
    m_papers->setAccessibleName(tr("Which paper"));
    connect(m_papers, &QComboBox::activated, this, &ReportStation::showPages);
    connect(&m_analyses, &ActAnalyses::ready, this, [this] {
        if (isVisible()) showPages();
    });
    hand->column()->addWidget(m_papers);
    m_student = new QCheckBox(tr("student’s copy, without answers"));
    m_student->setObjectName(QStringLiteral("studentCopy"));
    connect(m_student, &QCheckBox::clicked, this, &ReportStation::refresh);
    hand->column()->addWidget(m_student);
    button(hand, tr("Save as PDF…"), "savePdf", &ReportStation::savePdf, true);
    button(hand, tr("Save as HTML…"), "saveHtml", &ReportStation::saveHtml);
    button(hand, tr("Print…"), "printReport", &ReportStation::printReport);
    right->column()->addWidget(hand);
    auto* open = new Card;
    open->column()->addWidget(makeLabel(tr("Take the data along"), "title"));
    open->column()->addWidget(
        makeLabel(tr("Open formats: raw readings and what follows from them, units in the names."), "muted"));
    button(open, tr("Export CSV…"), "saveCsv", &ReportStation::saveCsv);
    button(open, tr("Export JSON…"), "saveJson", &ReportStation::saveJson);
    button(open, tr("Acts as CSV…"), "saveActsCsv", &ReportStation::saveActsCsv);
    button(open, tr("Acts as JSON…"), "saveActsJson", &ReportStation::saveActsJson);
    button(open, tr("Import CSV…"), "importCsv", &ReportStation::importCsv);
    open->column()->addWidget(makeLabel(tr("Import wants a first line such as temperature_degC,gauge_kPa. "
                                           "Lines that cannot be read are named; the others are kept."),
                                        "muted"));
    m_complaints = makeLabel({}, "caution");
    m_complaints->setObjectName(QStringLiteral("importComplaints"));
    m_complaints->hide();
    open->column()->addWidget(m_complaints);
    right->column()->addWidget(open);
    right->column()->addStretch();
    row->addWidget(right);
}

/// The lab's report first; then each act's record and steps; then what is for the whole lesson.
void ReportStation::fillPapers() {
    const QVariant chosen = m_papers->currentData();
    m_papers->clear();
    m_papers->addItem(tr("Lab report"), QVariant::fromValue<qlonglong>(kLab));
    const auto& acts = session().model().data().acts;
    for (const Act& act : acts)
        if (act.kind != ActKind::PlainBlock)
            m_papers->addItem(tr("Act: %1").arg(QString::fromStdString(act.title)),
                              QVariant::fromValue<qlonglong>(act.id));
    if (!acts.empty()) {
        m_papers->addItem(tr("Prep sheet"), QVariant::fromValue<qlonglong>(kPrep));
        m_papers->addItem(tr("Prep sheet for the technician"), QVariant::fromValue<qlonglong>(kTechnician));
        m_papers->addItem(tr("Hand-over list"), QVariant::fromValue<qlonglong>(kHandOver));
        m_papers->addItem(tr("The whole lesson"), QVariant::fromValue<qlonglong>(kWhole));
    }
    m_papers->setCurrentIndex(std::max(0, m_papers->findData(chosen)));
}

KnownOfAct ReportStation::knownOf(const Act& act) { return {m_analyses.frozen(act), m_analyses.of(act)}; }

PaperFor ReportStation::whom() const { return m_student->isChecked() ? PaperFor::Pupils : PaperFor::Teacher; }

Result<Document> ReportStation::paper() {
    const auto chosen = m_papers->currentData().toLongLong();
    if (chosen == kPrep) return prepSheet(session(), m_forecasts);
    if (chosen == kTechnician) return prepSheet(session(), m_forecasts, PrepSheetKind::Technician);
    if (chosen == kHandOver) return prepSheet(session(), m_forecasts, PrepSheetKind::HandOver);
    if (chosen == kWhole)
        return lessonBook(session(), m_forecasts, whom(), [this](const Act& act) { return knownOf(act); });
    if (chosen != kLab) {
        const Act* act = session().model().act(chosen);
        return paperOfAct(session(), chosen, whom(), act ? knownOf(*act) : KnownOfAct());
    }
    ReportOptions options;
    options.answers = !m_student->isChecked();
    return labReport(session(), options);
}

std::optional<Document> ReportStation::report() {
    auto document = paper();
    m_problem->setVisible(!document);
    if (!document) {
        m_problem->setText(QStringLiteral("\u26A0  ") + onScreen(document.error().message));
        return std::nullopt;
    }
    return std::move(*document);
}

/// Paper in a dark room: as much light as the theme's own surfaces bear beside them.
static void dim(QImage& page) {
    QPainter p(&page);
    p.setCompositionMode(QPainter::CompositionMode_Multiply);
    p.fillRect(page.rect(), QColor(0xB4, 0xB0, 0xA6));
}

void ReportStation::showPages() {
    const auto document = report();
    auto* body = new QWidget;
    body->setObjectName(QStringLiteral("scrollBody"));
    auto* column = new QVBoxLayout(body);
    column->setSpacing(grid::kMargin);
    if (document) {
        const int width = 640;
        const auto pages = reportPages(*document, ScreenWording(), width * devicePixelRatioF());
        int number = 0;
        for (QImage page : pages) {
            if (theme().dark) dim(page);
            page.setDevicePixelRatio(devicePixelRatioF());
            auto* label = new QLabel;
            setSpokenRole(label, QAccessible::Graphic);
            label->setAccessibleName(tr("Page %1 of %2").arg(++number).arg(pages.size()));
            label->setPixmap(QPixmap::fromImage(page));
            label->setStyleSheet(QStringLiteral("border: 1px solid %1;").arg(theme().hairline.name()));
            column->addWidget(label, 0, Qt::AlignHCenter);
        }
    }
    column->addStretch();
    m_pages->setWidget(body);
}

void ReportStation::refresh() {
    fillPapers();
    showPages();
}

QString ReportStation::suggestion(const QString& suffix) const {
    const auto& s = m_controller.session();
    const auto group = s.groupId();
    const QString who = group ? QString::fromStdString(s.model().group(*group).name) : tr("lesson");
    return QStringLiteral("%1-%2.%3").arg(who, QString::fromStdString(s.model().lesson().heldOn), suffix);
}

void ReportStation::savePdf() {
    const auto document = report();
    if (!document) return;
    const QString path =
        dialogs::saveFile(this, tr("Save the report as PDF"), suggestion(QStringLiteral("pdf")),
                          tr("PDF (*.pdf)"), QStringLiteral("pdf"));
    if (path.isEmpty()) return;
    const auto pages = writePdf(*document, ScreenWording(), path);
    if (pages)
        m_controller.say(onScreen(Text::tr("Saved {0}, {1} {1|page|pages}.", path.toStdString(), *pages)));
    else
        m_controller.tell(pages.error());
}

void ReportStation::saveText(const QString& title, const QString& filter, const QString& suffix,
                             const std::string& text) {
    const QString path = dialogs::saveFile(this, title, suggestion(suffix), filter, suffix);
    if (path.isEmpty()) return;
    if (const auto done = writeWholeFile(path.toStdString(), text); done)
        m_controller.say(tr("Saved %1.").arg(path));
    else
        m_controller.tell(done.error());
}

void ReportStation::saveHtml() {
    if (const auto document = report())
        saveText(tr("Save the report as HTML"), tr("HTML (*.html)"), QStringLiteral("html"),
                 toHtml(*document, ScreenWording()));
}

void ReportStation::saveCsv() {
    saveText(tr("Export readings as CSV"), tr("CSV (*.csv)"), QStringLiteral("csv"),
             readingsCsv(session().model()));
}

void ReportStation::saveJson() {
    saveText(tr("Export the lesson as JSON"), tr("JSON (*.json)"), QStringLiteral("json"),
             lessonJson(session().model()));
}

void ReportStation::saveActsCsv() {
    saveText(tr("Export acts as CSV"), tr("CSV (*.csv)"), QStringLiteral("csv"), actsCsv(session().model()));
}

void ReportStation::saveActsJson() {
    saveText(tr("Export acts as JSON"), tr("JSON (*.json)"), QStringLiteral("json"),
             actsJson(session().model()));
}

void ReportStation::importCsv() {
    const QString path = dialogs::openFile(this, tr("Import readings"), tr("Readings (*.csv *.txt *.json)"));
    if (!path.isEmpty()) importCsvFile(path);
}

void ReportStation::showComplaints(const std::vector<Text>& complaints) {
    QStringList lines;
    for (const auto& c : complaints)
        lines << onScreen(c);
    m_complaints->setVisible(!lines.isEmpty());
    if (!lines.isEmpty())
        m_complaints->setText(tr("Not read:") + QLatin1Char('\n') + lines.mid(0, 12).join(QLatin1Char('\n')) +
                              (lines.size() > 12 ? tr("\nand %1 more").arg(lines.size() - 12) : QString()));
}

void ReportStation::importActs(const std::string& text, const QString& path) {
    const auto imported =
        path.endsWith(QStringLiteral(".json"), Qt::CaseInsensitive) ? readActsJson(text) : readActsCsv(text);
    if (!imported) {
        m_controller.report(imported);
        return;
    }
    const auto count = m_controller.carryOut(&ActCommands::addImported, imported->acts);
    if (!count) return;
    showComplaints(imported->complaints);
    m_controller.say(onScreen(Text::tr("{0} {0|act|acts} imported.", *count)));
}

void ReportStation::importCsvFile(const QString& path) {
    constexpr std::size_t kMostBytes = 16 * kMebibyte;
    const auto text = readWholeFile(path.toStdString(), kMostBytes);
    if (text && holdsActs(*text)) return importActs(*text, path);
    const auto imported =
        text ? (path.endsWith(QStringLiteral(".json"), Qt::CaseInsensitive) ? readReadingsJson(*text)
                                                                            : readReadingsCsv(*text))
             : Result<ImportedReadings>(tl::unexpected(text.error()));
    if (!imported) {
        m_controller.report(imported);
        return;
    }
    const QString name = QFileInfo(path).completeBaseName();
    if (!m_controller.carryOut(&LessonCommands::addImported, name.toStdString(), imported->runs)) return;
    showComplaints(imported->complaints);
    m_controller.say(onScreen(
        Text::tr("{0} {0|reading|readings} imported as '{1}'.", imported->count(), name.toStdString())));
}

void ReportStation::printReport() {
    const auto document = report();
    if (!document) return;
    if (dialogs::print(this, *document)) m_controller.say(tr("Sent to the printer."));
}

} // namespace uttrin::app

#include "moc_ReportStation.cpp"
