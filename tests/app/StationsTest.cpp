#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "app/instruments/InstrumentPicture.h"
#include "app/map/PhaseMap.h"
#include "app/shell/NavigationColumn.h"
#include "app/tables/TableModel.h"
#include "lesson/views/WorkUp.h"
#include "substances/SubstanceLibrary.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFile>
#include <QTableView>

#include <cmath>
#include <fstream>

namespace uttrin {
namespace {

using app::PhaseMap;

using testing::Driver;

using NewLesson = testing::NewLesson;
using SampleLesson = testing::SampleLesson;

class PlanStation : public NewLesson {
protected:
    void SetUp() override {
        enterRoom();
        goTo(Station::Plan);
    }
};

/// Room known, a run of group Cedar begun, at the Run station.
class RunStation : public NewLesson {
protected:
    void SetUp() override {
        enterRoom();
        goTo(Station::Run);
        d.type("newGroup", QStringLiteral("Cedar"), Qt::Key_Return);
        ASSERT_TRUE(d.session().runId());
    }

    /// Types a true pair at a pressure (vacuum dial in bar), `superheat` kelvin too hot.
    void typePair(double pascal, double superheat = 0.0) {
        const double bar = std::round((pascal - 94310.0) / 1000.0) / 100.0;
        const double kelvin =
            water().boilingPoint(Pressure::fromPascal(94310.0 + bar * 1e5))->kelvin() + superheat;
        d.type("readFirst", QString::number(bar, 'f', 2));
        d.type("readTemperature",
               QString::number(std::round((kelvin - kIcePointKelvin) * 4.0) / 4.0, 'f', 2));
    }
};

TEST_F(PlanStation, ATargetIsDraggedOnTheMap) {
    auto* map = d.find<PhaseMap>("phaseMap");
    const auto target = map->view().targets[4];
    const QPoint from = map->pixelOf(target.kelvin, target.pascal).toPoint();
    const QPoint to = map->pixelOf(target.kelvin, target.pascal * 1.1).toPoint();
    QTest::mousePress(map, Qt::LeftButton, {}, from);
    QTest::mouseMove(map, (from + to) / 2);
    QMouseEvent move(QEvent::MouseMove, to, map->mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                     Qt::NoModifier);
    QApplication::sendEvent(map, &move);
    QTest::mouseRelease(map, Qt::LeftButton, {}, to);
    Driver::settle();
    const auto moved = d.session().plan().ladder.moved;
    ASSERT_EQ(moved.size(), 1U);
    EXPECT_NEAR(moved.begin()->second / (target.pascal * 1.1), 1.0, 0.01);
    d.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(d.session().plan().ladder.moved.empty());
}

TEST_F(PlanStation, ATargetIsMovedWithTheKeysAlone) {
    auto* map = d.find<PhaseMap>("phaseMap");
    map->setFocus();
    QTest::keyClick(map, Qt::Key_Right);
    QTest::keyClick(map, Qt::Key_Right);
    const double before = map->view().targets[1].pascal;
    QTest::keyClick(map, Qt::Key_Up);
    Driver::settle();
    EXPECT_NEAR(map->view().targets[1].pascal - before, 2000.0, 1e-6); // one division of 0.02 bar
}

TEST_F(PlanStation, SpacingAndCountChangeTheLadder) {
    d.press("planSpacing_3");
    EXPECT_EQ(d.session().plan().ladder.spacing, Spacing::DialSteps);
    d.type("planFrom", QStringLiteral("-0.7"));
    d.type("planTo", QStringLiteral("0"));
    d.type("planStep", QStringLiteral("0.1"));
    EXPECT_EQ(d.find<QTableView>("runSheet")->model()->rowCount(), 8);
    EXPECT_EQ(d.find<QTableView>("runSheet")->model()->index(0, 1).data().toString(),
              QStringLiteral("−0.70"));
    d.type("planStep", QStringLiteral("0"));
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("dial step must be above zero")));
    EXPECT_NEAR(d.session().plan().ladder.dialStep, 0.1, 1e-12);
}

TEST_F(RunStation, OneHandTypesAndCaptures) {
    EXPECT_TRUE(d.text("targetHeading").contains(QStringLiteral("Target 1 of 10")));
    typePair(d.session().currentTarget()->absolute.pascal());
    d.press("pumpState_0");
    QTest::keyClick(d.find<QLineEdit>("readTemperature"), Qt::Key_Return);
    Driver::settle();
    EXPECT_EQ(d.session().notebook().count("reading"), 1);
    EXPECT_EQ(d.text("message"), QStringLiteral("Captured, and on disk."));
    EXPECT_TRUE(d.find<QLineEdit>("readFirst")->text().isEmpty());
    EXPECT_TRUE(d.text("targetHeading").contains(QStringLiteral("Target 2 of 10")));
    EXPECT_EQ(d.find<QTableView>("taken")->model()->index(0, 0).data().toString(), QStringLiteral("1"));
}

TEST_F(RunStation, TheLiquidsStartIsStamped) {
    d.press("startTemperature"); // nothing typed
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("Type how warm the liquid is")));
    EXPECT_EQ(QApplication::focusWidget(), d.find<QLineEdit>("readTemperature"));
    d.type("readTemperature", QStringLiteral("41.5"));
    d.press("startTemperature");
    EXPECT_EQ(d.session().notebook().count("liquid_start"), 1);
    EXPECT_NEAR(d.session().model().startOf(*d.session().runId())->temperature.celsius(), 41.5, 1e-9);
    EXPECT_TRUE(d.find<QLineEdit>("readTemperature")->text().isEmpty());
    d.type("readTemperature", QStringLiteral("180"));
    d.press("startTemperature");
    EXPECT_EQ(d.session().notebook().count("liquid_start"), 1);
    EXPECT_EQ(d.find<QLineEdit>("readTemperature")->text(), QStringLiteral("180")); // nothing typed is lost
}

TEST_F(RunStation, TheInstrumentsAreSetUntilTheyLookLikeThoseOnTheBench) {
    d.press("runShown_1");
    auto* dial = d.find<app::DialPicture>("dialPicture");
    ASSERT_TRUE(dial->isVisible());
    QTest::mouseClick(dial, Qt::LeftButton, {}, dial->needleTip(-0.5).toPoint());
    Driver::settle();
    EXPECT_EQ(d.find<QLineEdit>("readFirst")->text().replace(QChar(0x2212), QLatin1Char('-')).toDouble(),
              *dial->value());
    EXPECT_EQ(d.session().draft().first, dial->value());
    d.type("readFirst", QStringLiteral("-0.62"));
    EXPECT_NEAR(*dial->value(), -0.62, 1e-12);
    auto* meter = d.find<app::MeterPicture>("meterPicture");
    QTest::mouseClick(meter, Qt::LeftButton, {},
                      QPointF(meter->xOf(74.0), meter->bar().center().y()).toPoint());
    EXPECT_NEAR(*d.session().draft().temperature, 74.0, 1.0);
}

TEST_F(RunStation, TheMarginMovesWhileTyping) {
    typePair(40e3, -6.0);
    EXPECT_TRUE(d.said("margin").contains(QStringLiteral("K to go"))) << d.said("margin").toStdString();
    auto* map = d.find<PhaseMap>("phaseMap");
    ASSERT_TRUE(map->view().liveKelvin);
    EXPECT_LT(*map->view().liveKelvin,
              water().boilingPoint(Pressure::fromPascal(*map->view().livePascal))->kelvin() - 5.0);
}

TEST_F(RunStation, ASlipIsNamedAndMendedWithOneKey) {
    typePair(40e3);
    const QString right = d.find<QLineEdit>("readFirst")->text();
    d.type("readFirst", QString(right).remove(QLatin1Char('-')).remove(QChar(0x2212)));
    d.capture();
    EXPECT_EQ(d.session().notebook().count("reading"), 0);
    EXPECT_TRUE(d.text("finding").contains(QStringLiteral("minus sign"))) << d.text("finding").toStdString();
    d.press("mend");
    d.capture();
    ASSERT_EQ(d.session().notebook().count("reading"), 1);
    EXPECT_LT(d.session().model().data().readings[0].first, 0.0);
}

TEST_F(RunStation, ASuperheatedPairCanBeKeptOnPurpose) {
    typePair(40e3, 6.0);
    d.capture();
    EXPECT_TRUE(d.text("finding").contains(QStringLiteral("Superheated by")));
    EXPECT_EQ(d.session().notebook().count("reading"), 0);
    d.press("keep");
    EXPECT_EQ(d.session().notebook().count("reading"), 1);
}

TEST_F(RunStation, PointsAreStruckWithAReasonAndUndone) {
    typePair(d.session().currentTarget()->absolute.pascal());
    d.capture();
    d.find<QTableView>("taken")->selectRow(0);
    app::dialogs::answerNext(QStringLiteral("misread"));
    d.key(Qt::Key_K, Qt::ControlModifier);
    EXPECT_EQ(d.session().model().data().readings[0].struckReason, "misread");
    EXPECT_TRUE(d.find<QTableView>("taken")->model()->index(0, 5).data().toString().contains(
        QStringLiteral("misread")));
    EXPECT_TRUE(d.text("targetHeading").contains(QStringLiteral("Target 1"))); // free again
    d.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_FALSE(d.session().model().data().readings[0].struckReason);
}

TEST_F(RunStation, VigourNotesAndTheTargetHaveKeys) {
    d.press("vigour_3");
    EXPECT_EQ(d.session().draft().vigour, 4);
    d.press("targetAfter");
    EXPECT_TRUE(d.text("targetHeading").contains(QStringLiteral("Target 2")));
    app::dialogs::answerNext(QStringLiteral("chips renewed"));
    d.press("note");
    ASSERT_EQ(d.session().model().data().notes.size(), 1U);
    EXPECT_EQ(d.session().model().data().notes[0].takenAt, d.clock.time);
    d.type("readFirst", QStringLiteral("0.02"));
    d.press("zeroCheck");
    EXPECT_EQ(d.session().model().data().zeros.size(), 1U);
}

TEST_F(RunStation, ConfirmBracketsThePointThatWasTaken) {
    typePair(d.session().currentTarget()->absolute.pascal());
    d.capture();
    typePair(21e3);
    d.press("confirm");
    EXPECT_EQ(d.find<QPushButton>("confirm")->text(), QStringLiteral("It starts again"));
    typePair(20e3);
    d.press("confirm");
    EXPECT_EQ(d.find<QPushButton>("confirm")->text(), QStringLiteral("Confirm…"));
    const auto& readings = d.session().model().data().readings;
    ASSERT_EQ(readings.size(), 3U);
    EXPECT_EQ(readings[1].criterion, BoilingCriterion::BracketStops);
    EXPECT_EQ(readings[2].criterion, BoilingCriterion::BracketStarts);
    EXPECT_EQ(readings[1].place, readings[0].place);
    EXPECT_EQ(readings[2].place, readings[0].place);
    EXPECT_TRUE(d.text("repeats").contains(QStringLiteral("3 repeats")));
}

TEST_F(SampleLesson, TheWorkUpShowsResultStepsAndCause) {
    select("Ember");
    goTo(Station::WorkUp);
    EXPECT_TRUE(d->text("workResult").startsWith(QStringLiteral("ΔH = 42.")));
    EXPECT_TRUE(d->text("workCauses").contains(QStringLiteral("Points 4, 8 lie about")))
        << d->text("workCauses").toStdString();
    d->find<QTableView>("workTable")->selectRow(3);
    Driver::settle();
    EXPECT_TRUE(d->text("workSteps").contains(QStringLiteral("63.30 cm − 18.80 cm")))
        << d->text("workSteps").toStdString();
    d->press("fitMethod_2");
    const QString unweighted = d->text("workResult");
    d->press("fitMethod_0");
    EXPECT_NE(d->text("workResult"), unweighted);
}

TEST_F(SampleLesson, StudentsFillInAndTheFirstWrongStepIsShown) {
    goTo(Station::WorkUp);
    d->find<QCheckBox>("studentMode")->click();
    Driver::settle();
    auto* model = d->find<QTableView>("workTable")->model();
    EXPECT_TRUE(model->index(0, 3).data().toString().isEmpty());
    EXPECT_FALSE(d->text("workResult").contains(QStringLiteral("42.")));
    const auto first = d->session().model().reduce(*d->session().runId())[0];
    model->setData(model->index(0, 3), QString::number(first.absolute->pressure.kilopascal(), 'f', 2),
                   Qt::EditRole);
    EXPECT_TRUE(d->text("studentVerdict").contains(QStringLiteral("right so far")));
    model->setData(model->index(0, 4), QString::number(first.liquid.temperature.celsius() - 273.15, 'f', 1),
                   Qt::EditRole);
    EXPECT_TRUE(d->text("studentVerdict").contains(QStringLiteral("added")))
        << d->text("studentVerdict").toStdString();
}

TEST_F(SampleLesson, ReportsAndExportsLandWhereTheyAreSent) {
    goTo(Station::Report);
    const std::pair<const char*, const char*> files[] = {
        {"savePdf", "r.pdf"}, {"saveHtml", "r.html"}, {"saveCsv", "r.csv"}, {"saveJson", "r.json"}};
    for (const auto& [button, name] : files) {
        app::dialogs::answerNext(QString::fromStdString((dir / name).string()));
        d->press(button);
    }
    const auto head = [&](const char* name) {
        QFile file(QString::fromStdString((dir / name).string()));
        EXPECT_TRUE(file.open(QIODevice::ReadOnly)) << name;
        return file.read(200);
    };
    EXPECT_TRUE(head("r.pdf").startsWith("%PDF-"));
    EXPECT_TRUE(head("r.html").startsWith("<!DOCTYPE html>"));
    EXPECT_TRUE(head("r.csv").startsWith("# made-up sample data"));
    EXPECT_TRUE(head("r.json").contains("Boiling water without a hundred degrees"));
    app::dialogs::answerNext(path("printed.pdf"));
    d->press("printReport");
    EXPECT_TRUE(head("printed.pdf").startsWith("%PDF-"));
    EXPECT_EQ(d->text("message"), QStringLiteral("Sent to the printer."));
    app::dialogs::answerNext(QStringLiteral("/nowhere/r.html"));
    d->press("saveHtml");
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("could not be written")));
}

TEST_F(SampleLesson, ACsvComesInWithItsBadLinesNamed) {
    std::ofstream(dir / "cold.csv")
        << "temperature_degC,absolute_kPa\n60.06,20.0\nwarm,30\n81.3,50.0\n96.7,90.0\n";
    goTo(Station::Report);
    app::dialogs::answerNext(QString::fromStdString((dir / "cold.csv").string()));
    d->press("importCsv");
    EXPECT_TRUE(d->text("importComplaints").contains(QStringLiteral("line 3")));
    EXPECT_EQ(d->session().model().readingsOf(*d->session().runId()).size(), 3U);
}

// Marks were drawn into an area of less than no width while a map was still hidden.
TEST_F(SampleLesson, AMapThatWasNeverShownCanBeDrawn) {
    goTo(Station::WorkUp);
    const MapView view = d->find<PhaseMap>("phaseMap")->view();
    ASSERT_FALSE(view.points.empty());
    for (const QSize& size : {QSize(640, 520), QSize(20, 10)}) {
        PhaseMap map;
        map.resize(size);
        map.show(view);
        map.redraw();
        EXPECT_FALSE(map.asSvg().isEmpty());
    }
}

TEST_F(SampleLesson, TheMapGoesOutAsAVectorAndAsAPicture) {
    goTo(Station::WorkUp);
    auto* map = d->find<PhaseMap>("phaseMap");
    for (const char* name : {"m.svg", "m.png"}) {
        app::dialogs::answerNext(path(name));
        d->find<QAction>("actionExportMap")->trigger();
        Driver::settle();
    }
    QFile svg(path("m.svg"));
    ASSERT_TRUE(svg.open(QIODevice::ReadOnly));
    EXPECT_GT(svg.readAll().count("<path"), 10);
    EXPECT_EQ(QImage(path("m.png")).width(), 2 * map->width());
}

TEST_F(SampleLesson, ATableCopiesWithItsHeader) {
    goTo(Station::WorkUp);
    const QString text = app::tableAsText(d->find<QTableView>("workTable"));
    EXPECT_TRUE(text.startsWith(QStringLiteral("#\tU-tube, cm\t")));
    EXPECT_EQ(text.count(QLatin1Char('\n')), 12);
}

TEST_F(SampleLesson, MapCoordinatesGoThereAndBackInAllAxes) {
    goTo(Station::WorkUp);
    auto* map = d->find<PhaseMap>("phaseMap");
    for (const auto axes :
         {PhaseMap::Axes::PressureLog, PhaseMap::Axes::PressureLinear, PhaseMap::Axes::ClausiusClapeyron}) {
        map->setAxes(axes);
        EXPECT_NEAR(map->kelvinAt(map->xOf(350.0)), 350.0, 1e-9);
        EXPECT_NEAR(map->pascalAt(map->yOf(4e4)), 4e4, 1e-6);
        for (const MapPoint& p : map->view().points)
            EXPECT_TRUE(map->rect().contains(map->pixelOf(p.kelvin, p.pascal).toPoint()));
    }
}

TEST_F(SampleLesson, EveryControlHasANameForThoseWhoCannotSeeIt) {
    for (int i = 0; i < kStations; ++i) {
        d->window.goTo(static_cast<Station>(i));
        Driver::settle();
        for (QWidget* w : d->window.findChildren<QWidget*>()) {
            if (!w->isVisible() || !(w->focusPolicy() & Qt::TabFocus) || w->inherits("QScrollArea") ||
                w->inherits("QTabBar"))
                continue;
            const auto* button = qobject_cast<QAbstractButton*>(w);
            EXPECT_FALSE(w->accessibleName().isEmpty() && !(button && !button->text().isEmpty()))
                << "station " << i + 1 << ": " << w->metaObject()->className() << ' '
                << w->objectName().toStdString();
        }
    }
}

TEST_F(NewLesson, DamagedAndForeignFilesAreNamedAndTheOpenNotebookStays) {
    std::ofstream(dir / "text.uttrin") << "hello";
    EXPECT_FALSE(d.window.openNotebook(QString::fromStdString((dir / "text.uttrin").string())));
    Driver::settle();
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("not an Uttrin notebook")));
    EXPECT_EQ(d.session().notebook().path(), dir / "a.uttrin");
}

TEST_F(NewLesson, ControlAndANumberGoToTheStations) {
    for (int i = 0; i < kStations; ++i) {
        QTest::keyClick(&d.window, static_cast<Qt::Key>(Qt::Key_1 + i), Qt::ControlModifier);
        EXPECT_EQ(d.window.station(), static_cast<Station>(i));
    }
}

} // namespace
} // namespace uttrin
