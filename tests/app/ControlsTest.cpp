#include "SeenWhole.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/controls/ThemeChoice.h"
#include "app/map/ScaleTicker.h"
#include "app/tables/TableModel.h"
#include "quantities/Rounding.h"

#include <QAccessible>
#include <QApplication>
#include <QLabel>
#include <QLayout>
#include <QLocale>
#include <QSignalSpy>
#include <QTableView>
#include <QTest>
#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <set>

namespace uttrin::app {
namespace {

/// Sets a locale for one test.
class Speaking {
public:
    explicit Speaking(const QLocale& locale) : m_before(QLocale()) { QLocale::setDefault(locale); }
    Speaking(const Speaking&) = delete;
    Speaking& operator=(const Speaking&) = delete;
    ~Speaking() { QLocale::setDefault(m_before); }

private:
    QLocale m_before;
};

TEST(OnScreen, NumbersFollowTheLocaleOnScreen) {
    // A number follows the locale; one in a name that a person typed stays as it was typed.
    const Text pair = Text::set("{} bar, {:.2f} kPa, {}.", fixed(-0.7, 2), 94.31, std::string("probe 2.1"));
    EXPECT_EQ(onScreen(pair), QStringLiteral("−0.70 bar, 94.31 kPa, probe 2.1."));
    const Speaking german{QLocale(QLocale::German)};
    EXPECT_EQ(onScreen(pair), QStringLiteral("−0,70 bar, 94,31 kPa, probe 2.1."));
    EXPECT_EQ(onScreen(-1.25, 1), QStringLiteral("−1,2"));
    EXPECT_EQ(fieldText(-0.5), QStringLiteral("−0,5"));
}

TEST(OnScreen, BothDecimalSignsAndBothMinusSignsAreUnderstood) {
    const Speaking german{QLocale(QLocale::German)};
    for (const auto& text : {QStringLiteral("-0.7"), QStringLiteral("−0,7"), QStringLiteral(" -0,7 ")})
        EXPECT_EQ(typedNumber(text), -0.7) << text.toStdString();
    for (const auto& text :
         {QStringLiteral(""), QStringLiteral("abc"), QStringLiteral("1,2,3"), QStringLiteral("7 bar")})
        EXPECT_FALSE(typedNumber(text)) << text.toStdString();
}

TEST(NumberField, TellsWhatIsNotANumberAndGivesNoValueForIt) {
    QWidget page;
    page.resize(500, 300);
    NumberField& field =
        *new NumberField(QStringLiteral("gauge"), QStringLiteral("bar"), QStringLiteral("field"), &page);
    field.move(40, 40);
    page.show();
    QSignalSpy edited(&field, &NumberField::edited), committed(&field, &NumberField::committed);
    QTest::keyClicks(field.edit(), QStringLiteral("-0.7x"));
    EXPECT_FALSE(field.value());
    EXPECT_TRUE(field.edit()->property("wrong").toBool());
    // A sentence stands under it, over what lies there, and is told to those who do not see it.
    auto* error = page.findChild<QLabel*>(QStringLiteral("fieldError"));
    ASSERT_TRUE(error && error->isVisible());
    EXPECT_TRUE(page.rect().contains(error->geometry()));
    EXPECT_GE(error->y(), field.edit()->mapTo(&page, QPoint(0, field.edit()->height())).y());
    EXPECT_TRUE(error->text().contains(field.error()));
    auto* spoken = QAccessible::queryAccessibleInterface(field.edit());
    EXPECT_TRUE(spoken->state().invalid);
    EXPECT_EQ(spoken->text(QAccessible::Description), field.error());
    EXPECT_EQ(spoken->text(QAccessible::Value), QStringLiteral("-0.7x"));
    EXPECT_EQ(spoken->role(), QAccessible::EditableText);
    QTest::keyClick(field.edit(), Qt::Key_Backspace);
    EXPECT_EQ(field.value(), -0.7);
    EXPECT_FALSE(field.edit()->property("wrong").toBool());
    EXPECT_FALSE(error->isVisible());
    EXPECT_FALSE(spoken->state().invalid);
    EXPECT_TRUE(spoken->text(QAccessible::Description).isEmpty());
    EXPECT_EQ(edited.count(), 6);
    EXPECT_EQ(committed.count(), 0);
    QTest::keyClick(field.edit(), Qt::Key_Return);
    QTest::keyClick(field.edit(), Qt::Key_Return); // nothing changed since
    EXPECT_EQ(committed.count(), 1);
    EXPECT_EQ(field.edit()->accessibleName(), QStringLiteral("gauge, bar"));
    field.setUnit(QStringLiteral("kPa"));
    EXPECT_EQ(field.edit()->accessibleName(), QStringLiteral("gauge, kPa"));
}

TEST(NumberField, SettingAValueSaysNothingAndClearsTheMistake) {
    NumberField field(QStringLiteral("gauge"), QStringLiteral("bar"), QStringLiteral("field"));
    QTest::keyClicks(field.edit(), QStringLiteral("x"));
    QSignalSpy edited(&field, &NumberField::edited);
    field.setValue(-0.5);
    EXPECT_EQ(field.value(), -0.5);
    EXPECT_FALSE(field.edit()->property("wrong").toBool());
    field.setValue(std::nullopt);
    EXPECT_TRUE(field.edit()->text().isEmpty());
    EXPECT_EQ(edited.count(), 0);
}

// What a screen reader types is typed: the field is edited, and what follows from it follows.
TEST(NumberField, AScreenReaderReadsAndTypes) {
    NumberField field(QStringLiteral("gauge"), QStringLiteral("bar"), QStringLiteral("field"));
    QSignalSpy edited(&field, &NumberField::edited);
    auto* spoken = QAccessible::queryAccessibleInterface(field.edit());
    spoken->setText(QAccessible::Value, QStringLiteral("-0.75"));
    EXPECT_EQ(field.value(), -0.75);
    EXPECT_GE(edited.count(), 1);
    auto* text = spoken->textInterface();
    ASSERT_TRUE(text);
    EXPECT_EQ(text->characterCount(), 5);
    EXPECT_EQ(text->text(1, 3), QStringLiteral("0."));
    EXPECT_EQ(text->cursorPosition(), 5);
    text->addSelection(3, 5);
    int from = 0, to = 0;
    text->selection(0, &from, &to);
    EXPECT_EQ(from, 3);
    EXPECT_EQ(to, 5);
    EXPECT_GT(text->characterRect(1).width(), 0);
    auto* edits = spoken->editableTextInterface();
    ASSERT_TRUE(edits);
    edits->replaceText(3, 5, QStringLiteral("8"));
    EXPECT_EQ(field.value(), -0.8);
    edits->insertText(4, QStringLiteral("5"));
    EXPECT_EQ(field.value(), -0.85);
    edits->deleteText(0, 1);
    EXPECT_EQ(field.value(), 0.85);
    field.edit()->setReadOnly(true);
    edits->deleteText(0, 4);
    EXPECT_EQ(field.value(), 0.85);
}

TEST(Segments, OneIsChosenAndOnlyThePersonsChoiceIsToldOf) {
    Segments segments(QStringLiteral("s"), QStringLiteral("Letter"));
    segments.setChoices({QStringLiteral("a"), QStringLiteral("b"), QStringLiteral("c")});
    QSignalSpy picked(&segments, &Segments::picked);
    EXPECT_EQ(segments.chosen(), -1);
    segments.choose(1);
    EXPECT_EQ(segments.chosen(), 1);
    EXPECT_EQ(picked.count(), 0);
    segments.button(2)->click();
    EXPECT_EQ(segments.chosen(), 2);
    ASSERT_EQ(picked.count(), 1);
    EXPECT_EQ(picked[0][0].toInt(), 2);
    segments.choose(-1);
    EXPECT_EQ(segments.chosen(), -1);
    segments.setChoices({QStringLiteral("x"), QStringLiteral("y"), QStringLiteral("z")});
    EXPECT_EQ(segments.button(0)->text(), QStringLiteral("x"));
    segments.setChoices({QStringLiteral("only")});
    EXPECT_EQ(segments.button(0)->text(), QStringLiteral("only"));
    EXPECT_EQ(segments.button(1), nullptr);
}

TEST(Segments, TakeAsManyRowsAsTheirNamesNeedAndCutNone) {
    Segments segments(QStringLiteral("s"), QStringLiteral("Variant"), Segments::Rows::AsNeeded);
    const QStringList names{QStringLiteral("boiled a full minute"), QStringLiteral("shut"),
                            QStringLiteral("with a wet hand on it"), QStringLiteral("in a bottle")};
    segments.setChoices(names);
    const int whole = segments.sizeHint().width();
    int rowsBefore = 0;
    for (int width = whole; width > whole / 4; width -= 7) {
        const int wide = std::max(width, segments.minimumSizeHint().width());
        segments.resize(wide, segments.layout()->heightForWidth(wide));
        segments.layout()->setGeometry(segments.rect()); // hidden, it gets no resize event
        std::set<int> rows;
        for (int i = 0; i < names.size(); ++i) {
            const QPushButton* b = segments.button(i);
            EXPECT_GE(b->width(), b->sizeHint().width());
            EXPECT_TRUE(segments.rect().contains(b->geometry())) << i << " at " << wide;
            if (i > 0) {
                const QRect before = segments.button(i - 1)->geometry();
                EXPECT_TRUE(b->y() > before.bottom() || b->x() > before.right());
            }
            rows.insert(b->y());
        }
        EXPECT_GE(static_cast<int>(rows.size()), rowsBefore) << "fewer rows in less width";
        rowsBefore = static_cast<int>(rows.size());
    }
    EXPECT_EQ(rowsBefore, names.size());
    segments.setChoices({QStringLiteral("one"), QStringLiteral("two")}); // what was there takes no room
    segments.resize(whole, segments.layout()->heightForWidth(whole));
    segments.layout()->setGeometry(segments.rect());
    EXPECT_EQ(segments.button(0)->x(), 0);
    EXPECT_EQ(segments.button(1)->geometry().right() + 1, whole);
    segments.button(0)->hide();
    segments.layout()->setGeometry(segments.rect());
    EXPECT_EQ(segments.button(1)->x(), 0);
}

TEST(FieldEdit, UndoGoesToTheNotebookWhenTheFieldHasNothingToTakeBack) {
    FieldEdit edit;
    const auto wants = [&] {
        QKeyEvent event(QEvent::ShortcutOverride, Qt::Key_Z, Qt::ControlModifier);
        event.ignore();
        QApplication::sendEvent(&edit, &event);
        return event.isAccepted();
    };
    EXPECT_FALSE(wants());
    QTest::keyClicks(&edit, QStringLiteral("7"));
    EXPECT_TRUE(wants());
}

TEST(TableModel, ShowsTypesAndCopies) {
    QTableView view;
    TableModel model;
    view.setModel(&model);
    styleTable(&view);
    TableModel::Row first, second;
    first.cells = {QStringLiteral("1"), QStringLiteral("−0.70"), QStringLiteral("fine")};
    second.cells = {QStringLiteral("2"), QStringLiteral("−0.60"), QStringLiteral("struck: leak")};
    second.quiet = second.struck = true;
    model.setEditable({1});
    model.show({QStringLiteral("#"), QStringLiteral("bar"), QStringLiteral("remarks")}, {first, second}, {2});
    EXPECT_TRUE(model.index(0, 0).data(Qt::TextAlignmentRole).toInt() & Qt::AlignRight);
    EXPECT_TRUE(model.index(0, 2).data(Qt::TextAlignmentRole).toInt() & Qt::AlignLeft);
    EXPECT_TRUE(model.index(1, 1).data(Qt::FontRole).value<QFont>().strikeOut());
    EXPECT_FALSE(model.index(1, 2).data(Qt::FontRole).value<QFont>().strikeOut()); // the reason stays legible
    EXPECT_EQ(tableAsText(&view),
              QStringLiteral("#\tbar\tremarks\n1\t−0.70\tfine\n2\t−0.60\tstruck: leak\n"));
    view.selectRow(1);
    EXPECT_EQ(tableAsText(&view), QStringLiteral("#\tbar\tremarks\n2\t−0.60\tstruck: leak\n"));
    QSignalSpy typed(&model, &TableModel::typed);
    EXPECT_TRUE(model.flags(model.index(0, 1)) & Qt::ItemIsEditable);
    EXPECT_FALSE(model.flags(model.index(0, 2)) & Qt::ItemIsEditable);
    EXPECT_TRUE(model.setData(model.index(0, 1), QStringLiteral("−0.72"), Qt::EditRole));
    EXPECT_FALSE(model.setData(model.index(0, 1), QStringLiteral("−0.70"), Qt::EditRole)); // unchanged
    EXPECT_EQ(typed.count(), 1);
}

// A capture puts a row on top: the others stay where they are, the chosen one stays chosen, and whatever
// follows the model, by its signals alone, ends with the same rows.
TEST(TableModel, RowsComeAndGoWithoutALayoutOfAll) {
    const auto rowsOf = [](const std::vector<int>& ids) {
        QVector<TableModel::Row> rows;
        for (const int id : ids) {
            TableModel::Row row;
            row.id = id;
            row.cells = {QString::number(id)};
            rows << row;
        }
        return rows;
    };
    QTableView view;
    TableModel model;
    view.setModel(&model);
    model.show({QStringLiteral("#")}, rowsOf({3, 2, 1}), {});
    view.selectRow(1); // 2
    QSignalSpy reset(&model, &QAbstractItemModel::modelReset),
        inserted(&model, &QAbstractItemModel::rowsInserted);
    model.show({QStringLiteral("#")}, rowsOf({4, 3, 2, 1}), {});
    EXPECT_EQ(reset.count(), 0);
    ASSERT_EQ(inserted.count(), 1);
    EXPECT_EQ(view.selectionModel()->selectedRows().constFirst().row(), 2); // still 2
    const std::vector<std::vector<int>> steps{{4, 3, 1}, {9, 8, 4, 1},    {},       {7},
                                              {7, 7},    {1, 2, 3, 4, 5}, {5, 4, 3}};
    int followed = model.rowCount();
    QObject::connect(&model, &QAbstractItemModel::rowsInserted, &view,
                     [&](const QModelIndex&, int first, int last) { followed += last - first + 1; });
    QObject::connect(&model, &QAbstractItemModel::rowsRemoved, &view,
                     [&](const QModelIndex&, int first, int last) { followed -= last - first + 1; });
    for (const std::vector<int>& ids : steps) {
        model.show({QStringLiteral("#")}, rowsOf(ids), {});
        ASSERT_EQ(model.rowCount(), static_cast<int>(ids.size()));
        EXPECT_EQ(followed, model.rowCount());
        for (int r = 0; r < model.rowCount(); ++r)
            EXPECT_EQ(model.row(r).id, ids[static_cast<std::size_t>(r)]);
    }
}

TEST(Theme, TextStandsOutFromEveryGroundThatItLiesOn) {
    for (const Theme& t : {Theme::paper(), Theme::night(), Theme::projector(), Theme::contrast()}) {
        SCOPED_TRACE(t.name.toStdString());
        for (const QColor& ground : {t.ground, t.card, t.navigation}) {
            EXPECT_GE(testing::contrastOf(t.ink, ground), 7.0);
            EXPECT_GE(testing::contrastOf(t.muted, ground), 4.5);
            EXPECT_GE(testing::contrastOf(t.done, ground), 4.5); // links are text
            EXPECT_GE(testing::contrastOf(t.edge, ground), 3.0); // of a field, a button, a box
            EXPECT_GE(testing::contrastOf(t.focus, ground), 3.0);
        }
        for (const QColor& tint : {t.liquid, t.vapour, t.ice})
            EXPECT_GE(testing::contrastOf(t.ink, tint), 7.0);
        EXPECT_GE(testing::contrastOf(t.caution, t.cautionGround), 4.5);
        EXPECT_GE(testing::contrastOf(t.caution, t.ground), 4.5);
        EXPECT_GE(testing::contrastOf(t.onAction, t.action), 7.0);
        EXPECT_GE(testing::contrastOf(t.card, t.done), 4.5);  // the chosen segment
        EXPECT_GE(testing::contrastOf(t.hot, t.liquid), 3.0); // large figures and the bar to boiling
        EXPECT_GE(t.small, 12);
    }
    EXPECT_GE(Theme::projector().live, 72);
    EXPECT_EQ(Theme::paper().live, 30);
}

// Text is enlarged by as much as a person says, the drawn too; nothing becomes smaller than it is drawn at
// 100 %.
TEST(Theme, TextHasTheSizeThatAPersonChose) {
    for (const Theme& t : {Theme::paper(), Theme::projector()})
        for (const int percent : app::textSizes()) {
            const Theme at = t.at(percent);
            EXPECT_NEAR(at.text, t.text * percent / 100.0, 0.5);
            EXPECT_NEAR(at.live, t.live * percent / 100.0, 0.5);
            EXPECT_GE(at.tick, t.tick);
            EXPECT_GE(at.small, 12);
        }
    EXPECT_EQ(Theme::paper().at(5000).factor, 2.0);
    EXPECT_EQ(Theme::paper().at(-5).factor, 0.9);
}

TEST(Theme, AChoiceFollowsTheSystemUnlessItIsMade) {
    using app::themeOf;
    EXPECT_EQ(themeOf({}, false).name, QStringLiteral("paper"));
    EXPECT_EQ(themeOf({}, true).name, QStringLiteral("night"));
    EXPECT_EQ(themeOf({QStringLiteral("paper"), 100}, true).name, QStringLiteral("paper"));
    EXPECT_EQ(themeOf({QStringLiteral("of the future"), 100}, false).name, QStringLiteral("paper"));
    const auto names = app::themeNames();
    for (const QString& name : names.mid(1))
        EXPECT_EQ(themeOf({name, 100}, false).name, name);
}

TEST(Theme, TheShippedFontHasFiguresOfOneWidth) {
    const QFontMetricsF metrics(fontOf(30, QFont::DemiBold));
    EXPECT_EQ(QFontInfo(fontOf(30)).family(), QStringLiteral("Inter Tabular"));
    for (char digit = '0'; digit <= '9'; ++digit)
        EXPECT_NEAR(metrics.horizontalAdvance(QLatin1Char(digit)),
                    metrics.horizontalAdvance(QLatin1Char('0')), 0.1)
            << digit;
}

/// The ticks that a ticker gives an axis, through the plot itself.
std::vector<double> labelledTicks(QCPAxis* axis) {
    axis->parentPlot()->show();
    QApplication::processEvents();
    axis->parentPlot()->replot(QCustomPlot::rpImmediateRefresh);
    const auto vector = axis->tickVector();
    return {vector.begin(), vector.end()};
}

TEST(ScaleTicker, GraduatesAnUnevenScaleInRoundRegularSteps) {
    QCustomPlot plot;
    plot.resize(400, 600);
    plot.yAxis->setScaleType(QCPAxis::stLogarithmic);
    plot.yAxis->setRange(9.0, 107.0);
    QSharedPointer<ScaleTicker> ticker(new ScaleTicker(
        plot.yAxis, [](double v) { return v; }, [](double c) { return c; }));
    plot.yAxis->setTicker(ticker);
    const auto ticks = labelledTicks(plot.yAxis);
    ASSERT_GE(ticks.size(), 6U);
    EXPECT_NE(std::find_if(ticks.begin(), ticks.end(), [](double t) { return std::abs(t - 10.0) < 1e-9; }),
              ticks.end());
    EXPECT_NE(std::find_if(ticks.begin(), ticks.end(), [](double t) { return std::abs(t - 50.0) < 1e-9; }),
              ticks.end());
    for (std::size_t i = 0; i < ticks.size(); ++i) {
        EXPECT_NEAR(ticks[i], std::round(ticks[i]), 1e-9); // whole kilopascals
        if (i == 0) continue;
        EXPECT_GE(std::abs(plot.yAxis->coordToPixel(ticks[i]) - plot.yAxis->coordToPixel(ticks[i - 1])),
                  20.9);
    }
    ticker->setShown(false);
    EXPECT_TRUE(labelledTicks(plot.yAxis).empty());
}

TEST(ScaleTicker, ALowAxisOfManyDecadesIsNumberedByPowersOfTen) {
    QCustomPlot plot;
    plot.resize(400, 170);
    plot.yAxis->setScaleType(QCPAxis::stLogarithmic);
    plot.yAxis->setRange(0.08, 120.0);
    plot.yAxis->setTicker(QSharedPointer<ScaleTicker>(new ScaleTicker(
        plot.yAxis, [](double v) { return v; }, [](double c) { return c; })));
    const auto ticks = labelledTicks(plot.yAxis);
    ASSERT_EQ(ticks.size(), 4U);
    double wanted = 0.1;
    for (const double t : ticks) {
        EXPECT_NEAR(t, wanted, 1e-9 * wanted);
        wanted *= 10.0;
    }
}

TEST(ScaleTicker, AScaleThatRunsAgainstTheAxisIsGraduatedToo) {
    QCustomPlot plot;
    plot.resize(400, 600);
    plot.yAxis->setRange(0.0, 100.0);
    // A vacuum depth in a room of 94: deeper is lower.
    plot.yAxis->setTicker(QSharedPointer<ScaleTicker>(new ScaleTicker(
        plot.yAxis, [](double depth) { return 94.0 - depth; }, [](double c) { return 94.0 - c; })));
    const auto ticks = labelledTicks(plot.yAxis);
    ASSERT_GE(ticks.size(), 8U);
    for (const double t : ticks)
        EXPECT_NEAR(std::fmod(94.0 - t + 200.0, 5.0), 0.0, 1e-9) << t;
}

/// A colour as eyes see it that lack one kind of cone. Linear RGB times the matrices of G. M. Machado, M. M.
/// Oliveira and L. A. F. Fernandes, IEEE Trans. Vis. Comput. Graph. 15 (2009) 1291, severity 1.
using Matrix = std::array<double, 9>;
constexpr Matrix kProtan{0.152286, 1.052583,  -0.204868, 0.114503, 0.786281,
                         0.099216, -0.003882, -0.048116, 1.051998};
constexpr Matrix kDeutan{0.367322, 0.860646,  -0.227968, 0.280085, 0.672501,
                         0.047413, -0.011820, 0.042940,  0.968881};
constexpr Matrix kTritan{1.255528, -0.076749, -0.178779, -0.078411, 0.930809,
                         0.147602, 0.004733,  0.691367,  0.303900};
constexpr Matrix kAllCones{1, 0, 0, 0, 1, 0, 0, 0, 1};

/// CIE L*a*b* (D65) of a colour seen so.
std::array<double, 3> labSeen(const QColor& c, const Matrix& m) {
    const auto linear = [](double v) {
        return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    };
    const double r = linear(c.redF()), g = linear(c.greenF()), b = linear(c.blueF());
    const auto row = [&](std::size_t i) {
        return std::clamp(m[i] * r + m[i + 1] * g + m[i + 2] * b, 0.0, 1.0);
    };
    const double R = row(0), G = row(3), B = row(6);
    const auto f = [](double t) { return t > 0.008856 ? std::cbrt(t) : 7.787 * t + 16.0 / 116.0; };
    const double x = f((0.4124 * R + 0.3576 * G + 0.1805 * B) / 0.9505),
                 y = f(0.2126 * R + 0.7152 * G + 0.0722 * B),
                 z = f((0.0193 * R + 0.1192 * G + 0.9505 * B) / 1.089);
    return {116.0 * y - 16.0, 500.0 * (x - y), 200.0 * (y - z)};
}

double apart(const QColor& a, const QColor& b, const Matrix& m) {
    const auto p = labSeen(a, m), q = labSeen(b, m);
    return std::hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
}

TEST(Themes, TheDistanceOfColoursIsThatOfTheirLab) { // D65 white is 100, 0, 0; sRGB red 53.2, 80.1, 67.2
    const auto white = labSeen(Qt::white, kAllCones), red = labSeen(QColor(255, 0, 0), kAllCones);
    EXPECT_NEAR(white[0], 100.0, 0.1);
    EXPECT_NEAR(white[1], 0.0, 0.1);
    EXPECT_NEAR(red[0], 53.2, 0.2);
    EXPECT_NEAR(red[1], 80.1, 0.3);
    EXPECT_NEAR(red[2], 67.2, 0.3);
    EXPECT_LT(apart(QColor(200, 120, 40), QColor(150, 150, 40), kDeutan), // red and green run together
              0.5 * apart(QColor(200, 120, 40), QColor(150, 150, 40), kAllCones));
}

// What differs in meaning differs to eyes that lack a cone too; a just noticeable difference is about 2.3.
TEST(Themes, MeaningsStayApartForColourBlindEyes) {
    constexpr double kLines = 12.0, kAreas = 5.0;
    for (const Theme& t : {Theme::paper(), Theme::night(), Theme::projector(), Theme::contrast()})
        for (const auto& [kind, matrix] : {std::pair{"all cones", kAllCones},
                                           {"no red cones", kProtan},
                                           {"no green cones", kDeutan},
                                           {"no blue cones", kTritan}}) {
            SCOPED_TRACE(t.name.toStdString() + ", " + kind);
            EXPECT_GT(apart(t.hot, t.done, matrix), kLines); // boils, and what is done
            EXPECT_GT(apart(t.hot, t.ink, matrix), kLines);  // boils, and what does not
            EXPECT_GT(apart(t.hot, t.liquid, matrix), kLines);
            EXPECT_GT(apart(t.caution, t.ground, matrix), kLines);
            EXPECT_GT(apart(t.liquid, t.vapour, matrix), kAreas);
            EXPECT_GT(apart(t.ice, t.vapour, matrix), kAreas);
            EXPECT_GT(apart(t.liquid, t.ice, matrix), kAreas);
            EXPECT_GT(apart(t.liquid, t.hotTint, matrix), kAreas); // the two parts of the margin
        }
}

} // namespace
} // namespace uttrin::app
