#include "support/PseudoLanguage.h"

#include "Driver.h"
#include "SeenWhole.h"
#include "app/controls/Catalogues.h"
#include "app/controls/OnScreen.h"
#include "app/map/PhaseMap.h"
#include "app/photo/PhotoReader.h"
#include "app/rehearse/RehearseStation.h"
#include "app/tools/DialReader.h"
#include "report/BenchSheet.h"
#include "report/LabReport.h"

#include <QAbstractScrollArea>
#include <QAction>
#include <QComboBox>
#include <QDialog>
#include <QElapsedTimer>
#include <QFileDialog>
#include <QHeaderView>
#include <QLocale>
#include <QMenu>
#include <QScrollArea>
#include <QTextBrowser>
#include <QTextDocument>
#include <QTimer>
#include <QTranslator>

namespace uttrin {
namespace {

using testing::Driver;
using testing::isCut;
using testing::untranslatedWords;

/// The program in a language that nobody speaks: each text in brackets, with accents, 40 % longer. Words
/// without brackets were never shown to a translator; brackets that are lost were cut off.
class PseudoLanguage : public ::testing::Test {
protected:
    testing::TempDir dir;
    std::unique_ptr<Driver> d;
    QStringList names; ///< that people typed

    static void SetUpTestSuite() { ASSERT_TRUE(app::installCatalogue(QStringLiteral(PSEUDO_LANGUAGE))); }

    void SetUp() override {
        ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
        d = std::make_unique<Driver>(dir / "demo.uttrin");
        collectNames();
    }

    void collectNames() {
        const LessonModel& model = d->session().model();
        const auto add = [this](const std::string& typed) {
            if (!typed.empty()) names << QString::fromStdString(typed);
        };
        add(model.lesson().title);
        add(model.lesson().school);
        add(model.lesson().roomName);
        for (const uttrin::Setup& s : model.data().setups)
            add(s.name);
        for (const Group& g : model.data().groups)
            add(g.name);
        for (const Note& n : model.data().notes)
            add(n.text);
        for (const Reading& r : model.data().readings) {
            add(r.judge);
            add(r.struckReason.value_or(""));
        }
        for (const uttrin::Run& r : model.data().runs) {
            add(model.planOfRun(r.id).rig.gauge.name);
            add(model.planOfRun(r.id).rig.thermometer.name);
            add(model.planOfRun(r.id).title);
        }
        add((dir / "demo.uttrin").string());
        add((dir / "demo.uttrin").filename().string());
        std::ranges::sort(names, std::ranges::greater(), &QString::size);
    }

    void expectTranslated(const QString& text, const QString& where) {
        const QStringList words = untranslatedWords(text, names);
        EXPECT_TRUE(words.isEmpty()) << where.toStdString() << ": '" << words.join(' ').toStdString()
                                     << "' in '" << text.toStdString() << "'";
    }

    /// What a widget says without painting it.
    void lookBehind(QWidget& w, const QString& where) {
        for (const QString& text : {w.toolTip(), w.accessibleName(), w.accessibleDescription(),
                                    w.windowTitle(), w.statusTip(), w.whatsThis()}) {
            expectTranslated(text, where);
            EXPECT_FALSE(isCut(text)) << where.toStdString() << ": '" << text.toStdString() << "'";
        }
        if (auto* box = qobject_cast<QComboBox*>(&w))
            for (int i = 0; i < box->count(); ++i)
                expectTranslated(box->itemText(i), where);
        for (const QAction* action : w.actions()) {
            expectTranslated(action->text(), where);
            expectTranslated(action->toolTip(), where);
        }
    }

    /// What a widget paints: no word without brackets, and nothing beyond its edges.
    void look(QWidget& w, const QString& where) {
        const auto painted = testing::paintedTexts(w);
        QString all;
        for (const auto& p : painted)
            all += p.text + QLatin1Char('\n');
        expectTranslated(all, where);
        // Of what is scrolled a part is painted.
        EXPECT_FALSE(isCut(all) && !qobject_cast<QAbstractScrollArea*>(w.parentWidget()))
            << where.toStdString() << ": cut off: '" << all.toStdString() << "'";
        if (painted.empty()) return;
        for (const QString& wrong : testing::placedOutside(w) + testing::paintedOutside(w, painted))
            ADD_FAILURE() << where.toStdString() << ": " << wrong.toStdString() << " in '"
                          << all.toStdString() << "'";
    }

    /// A window or a page with all that is in it.
    void walk(QWidget& top, const QString& where) {
        Driver::settleWhole(top);
        QList<QWidget*> all = top.findChildren<QWidget*>();
        all.prepend(&top);
        for (QWidget* w : all) {
            if (!w->isVisibleTo(&top) || (w != &top && w->isWindow())) continue;
            const QString at = QStringLiteral("%1, %2").arg(where, testing::calledSo(*w));
            lookBehind(*w, at);
            look(*w, at);
        }
        for (const auto* map : top.findChildren<app::PhaseMap*>())
            if (map->isVisibleTo(&top)) lookAtMap(*map, where);
    }

    /// A map is painted by its plot; what it says stands in its vector picture.
    void lookAtMap(const app::PhaseMap& map, const QString& where) {
        static const QRegularExpression written(QStringLiteral("<text[^>]*>([^<]*)</text>"));
        const QString svg = QString::fromUtf8(const_cast<app::PhaseMap&>(map).asSvg());
        QString all; // the marks stand in another font, and so in an element of their own
        for (auto match = written.globalMatch(svg); match.hasNext();)
            all += match.next().captured(1).trimmed() + QLatin1Char('\n');
        expectTranslated(all, where + QStringLiteral(", the map"));
        EXPECT_FALSE(isCut(all)) << where.toStdString() << ", the map: " << all.toStdString();
    }

    void walkStations(int width, int height) {
        d->window.resize(width, height);
        Driver::settle();
        EXPECT_EQ(d->window.size(), QSize(width, height)) << "the window does not fit";
        for (int s = 0; s < kStations; ++s) {
            d->window.goTo(static_cast<Station>(s));
            waitForRehearsal();
            if (qEnvironmentVariableIsSet("UTTRIN_SHOTS"))
                d->window.grab().save(QStringLiteral("%1/%2-%3.png")
                                          .arg(qEnvironmentVariable("UTTRIN_SHOTS"))
                                          .arg(width)
                                          .arg(s));
            walk(d->window, QStringLiteral("station %1 at %2 x %3").arg(s).arg(width).arg(height));
        }
    }

    void waitForRehearsal() {
        Driver::settle();
        auto* rehearse = d->window.findChild<app::RehearseStation*>();
        if (!rehearse || !rehearse->isVisible()) return;
        QElapsedTimer waited;
        waited.start();
        constexpr qint64 kLongest = 60'000; // ms
        while (!rehearse->isReady() && waited.elapsed() < kLongest)
            QApplication::processEvents(QEventLoop::AllEvents, 20);
    }
};

TEST_F(PseudoLanguage, EveryStationSpeaksItAndNothingIsCutAt1280x800) { walkStations(1280, 800); }

TEST_F(PseudoLanguage, EveryStationSpeaksItAndNothingIsCutAt1024x700) { walkStations(1024, 700); }

TEST_F(PseudoLanguage, EveryStationSpeaksItAndNothingIsCutAt960x540) { walkStations(960, 540); }

TEST_F(PseudoLanguage, EveryStationSpeaksItAndNothingIsCutAt1920x1080) { walkStations(1920, 1080); }

TEST_F(PseudoLanguage, SoDoesTextTwiceAsLarge) {
    app::applyTheme(app::Theme::paper().at(200));
    d->controller.refresh();
    walkStations(1920, 1080);
    walkStations(1280, 800);
    app::applyTheme(app::Theme::paper());
}

TEST_F(PseudoLanguage, SoDoesTheProjector) {
    d->window.findChild<QAction*>(QStringLiteral("actionProjector"))->trigger();
    for (int s = 0; s < kStations; ++s) {
        d->window.goTo(static_cast<Station>(s));
        waitForRehearsal();
        walk(d->window, QStringLiteral("station %1 projected").arg(s));
    }
    app::applyTheme(app::Theme::paper());
}

TEST_F(PseudoLanguage, TheLessonAndAnActAreToldInIt) {
    for (const Act& act : d->session().model().data().acts)
        names << QString::fromStdString(act.title);
    d->window.goTo(Station::Plan);
    d->press("planFaceLadder_1");
    walk(d->window, QStringLiteral("the lesson"));
    d->press("planFace_0");
    d->window.goTo(Station::Run);
    d->press("runFace_1");
    walk(d->window, QStringLiteral("an act"));
}

TEST_F(PseudoLanguage, EveryDemonstrationIsToldInIt) {
    d->window.goTo(Station::Rehearse);
    auto* rehearse = d->window.findChild<app::RehearseStation*>();
    d->press("rehearseFace_1");
    for (std::size_t i = 0; i < demonstrations().size(); ++i) {
        rehearse->choose(static_cast<int>(i));
        waitForRehearsal();
        const QString id = QString::fromStdString(demonstrations()[i].id);
        walk(*rehearse, id);
        expectTranslated(d->find<QTextBrowser>("rigGuide")->toPlainText(),
                         id + QStringLiteral(", the guide"));
    }
    d->press("rehearseFace_2");
    walk(*rehearse, QStringLiteral("measured"));
}

TEST_F(PseudoLanguage, ALessonWithNothingInItAndAWindowWithoutALessonSpeakIt) {
    d = std::make_unique<Driver>();
    walk(d->window, QStringLiteral("welcome"));
    d = std::make_unique<Driver>(dir / "new.uttrin");
    collectNames();
    names << QStringLiteral("new.uttrin");
    for (int s = 0; s < kStations; ++s) {
        d->window.goTo(static_cast<Station>(s));
        waitForRehearsal();
        walk(d->window, QStringLiteral("new lesson, station %1").arg(s));
    }
}

TEST_F(PseudoLanguage, SlipsAndFailuresAreToldInIt) {
    d->window.goTo(Station::Run);
    for (const auto& [first, second, celsius] :
         {std::tuple{"24.2", "57.9", "79.4"}, std::tuple{"57.9", "24.2", "174.9"},
          std::tuple{"57.9", "24.2", "70"}, std::tuple{"57.9", "24.2", "84"}, std::tuple{"90", "1", "50"},
          std::tuple{"", "", ""}}) {
        d->type("readFirst", QLatin1String(first));
        d->type("readSecond", QLatin1String(second));
        d->type("readTemperature", QLatin1String(celsius));
        d->capture();
        walk(d->window, QStringLiteral("%1 | %2 at %3").arg(first, second, celsius));
        d->controller.setDraft(BenchDraft{});
    }
}

TEST_F(PseudoLanguage, EveryToolWindowSpeaksIt) {
    const std::vector<std::pair<const char*, const char*>> tools{{"actionDialReader", "dialReader"},
                                                                 {"actionAltitudes", "altitudeWindow"},
                                                                 {"actionSolutions", "solutionsWindow"},
                                                                 {"actionPhotoReader", "photoReader"}};
    for (const auto& [action, name] : tools) {
        d->window.findChild<QAction*>(QLatin1String(action))->trigger();
        Driver::settle();
        auto* opened = d->window.findChild<QWidget*>(QLatin1String(name));
        ASSERT_NE(opened, nullptr) << name;
        walk(*opened, QLatin1String(name));
        if (auto* reader = qobject_cast<app::DialReader*>(opened))
            reader->read(QStringLiteral("57.9 cm \u2212 24.2 cm"));
        if (auto* reader = qobject_cast<app::PhotoReader*>(opened)) {
            reader->openSample();
            reader->markSample();
        }
        walk(*opened, QStringLiteral("%1 with a reading").arg(QLatin1String(name)));
        for (auto* choices : opened->findChildren<QComboBox*>())
            for (int i = 0; i < choices->count(); ++i) {
                choices->setCurrentIndex(i);
                walk(*opened,
                     QStringLiteral("%1, %2 %3").arg(QLatin1String(name), choices->objectName()).arg(i));
            }
        opened->hide();
    }
}

TEST_F(PseudoLanguage, EveryMenuAndDialogSpeaksIt) {
    for (const QMenu* menu : d->window.findChildren<QMenu*>()) {
        expectTranslated(menu->title(), QStringLiteral("menu"));
        for (const QAction* action : menu->actions()) {
            expectTranslated(action->text(), QStringLiteral("menu"));
            expectTranslated(action->toolTip(), QStringLiteral("menu"));
        }
    }
    // Each action and link that asks something first: what it asks is read, and it is sent away.
    int asked = 0;
    QTimer closer;
    QObject::connect(&closer, &QTimer::timeout, [&] {
        auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
        if (!dialog) return;
        ++asked;
        expectTranslated(dialog->windowTitle(), QStringLiteral("dialog"));
        if (auto* files = qobject_cast<QFileDialog*>(dialog))
            for (const QString& filter : files->nameFilters())
                expectTranslated(filter, QStringLiteral("dialog"));
        else
            for (auto* label : dialog->findChildren<QLabel*>())
                expectTranslated(label->text(), QStringLiteral("dialog"));
        dialog->reject();
    });
    closer.start(20);
    for (const char* action : {"actionNew", "actionOpen", "actionSaveCopy"})
        if (auto* a = d->window.findChild<QAction*>(QLatin1String(action))) a->trigger();
    d->window.goTo(Station::Run);
    d->press("note");
    d->window.goTo(Station::Report);
    for (const char* button : {"savePdf", "saveHtml", "exportCsv", "exportJson", "importCsv"})
        if (auto* b = d->window.findChild<QAbstractButton*>(QLatin1String(button)); b && b->isVisible()) {
            b->click();
            Driver::settle();
        }
    EXPECT_GE(asked, 4);
}

TEST_F(PseudoLanguage, ReportAndRunSheetSpeakIt) {
    for (const auto& document : {labReport(d->session(), {true, {}}), labReport(d->session(), {false, {}}),
                                 benchSheet(d->session())}) {
        ASSERT_TRUE(document);
        QTextDocument page;
        QString html = QString::fromStdString(toHtml(*document, app::ScreenWording()));
        EXPECT_TRUE(html.contains(testing::kOpens));
        static const QRegularExpression drawn(QStringLiteral("<text[^>]*>([^<]*)</text>"));
        for (auto match = drawn.globalMatch(html); match.hasNext();)
            expectTranslated(match.next().captured(1), QStringLiteral("a picture of the report"));
        html.remove(QRegularExpression(QStringLiteral("<svg.*?</svg>"),
                                       QRegularExpression::DotMatchesEverythingOption));
        page.setHtml(html);
        for (const QString& line : page.toPlainText().split(QLatin1Char('\n')))
            expectTranslated(line, QStringLiteral("report"));
    }
}

TEST_F(PseudoLanguage, APluralTakesItsFormAndANumberItsSign) {
    EXPECT_FALSE(app::onScreen(Text::tr("{0} {0|point|points}", 1)) ==
                 app::onScreen(Text::tr("{0} {0|point|points}", 1)).replace('1', '2'));
    const QLocale before;
    QLocale::setDefault(QLocale(QLocale::German));
    EXPECT_TRUE(app::onScreen(Text::tr("{} K to go", Text::number(1.5, 1))).contains(QStringLiteral("1,5")));
    QLocale::setDefault(before);
}

} // namespace
} // namespace uttrin
