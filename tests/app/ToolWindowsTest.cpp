#include "Driver.h"
#include "app/instruments/InstrumentPicture.h"
#include "app/tools/AltitudeWindow.h"
#include "app/tools/DialReader.h"
#include "app/tools/SolutionsWindow.h"
#include "lesson/commands/RunCommands.h"

#include <QClipboard>
#include <QTableView>

namespace uttrin {
namespace {

using testing::Driver;
using testing::NewLesson;

class DialReaderTest : public NewLesson {
protected:
    app::DialReader* reader = nullptr;
    void SetUp() override {
        enterRoom();
        d.key(Qt::Key_D, Qt::ControlModifier);
        reader = d.window.findChild<app::DialReader*>(QStringLiteral("dialReader"));
        ASSERT_NE(reader, nullptr);
        EXPECT_TRUE(reader->isVisible());
    }
    QString label(const char* name) {
        return Driver::wordsOf(*reader->findChild<QLabel*>(QLatin1String(name)));
    }
};

TEST_F(DialReaderTest, APastedReadingMovesTheNeedleAndIsExplained) {
    QApplication::clipboard()->setText(QStringLiteral("\u22120.62 bar"));
    auto* edit = reader->findChild<QLineEdit*>(QStringLiteral("dialText"));
    edit->paste();
    emit edit->textEdited(edit->text());
    Driver::settle();
    EXPECT_TRUE(label("dialMeaning").contains(QStringLiteral("32.3"))) << label("dialMeaning").toStdString();
    EXPECT_NEAR(*reader->findChild<app::DialPicture*>()->value(), -0.62, 1e-9);
}

TEST_F(DialReaderTest, APositiveNumberAsksWhatItCountsFrom) {
    reader->read(QStringLiteral("0.62 bar"));
    auto* question = reader->findChild<QLabel*>(QStringLiteral("dialQuestion"));
    EXPECT_TRUE(question->isVisible());
    EXPECT_TRUE(label("dialMeaning").isEmpty());
    QTest::mouseClick(reader->findChild<QAbstractButton*>(QStringLiteral("dialFrom_2")), Qt::LeftButton);
    EXPECT_TRUE(label("dialMeaning").contains(QStringLiteral("62.0"))) << label("dialMeaning").toStdString();
    EXPECT_FALSE(question->isVisible());
}

TEST_F(DialReaderTest, TheNeedleIsDraggedAndTheReadingTaken) {
    ASSERT_TRUE(d.controller.carryOut(&RunCommands::startRun, "Cedar"));
    auto* dial = reader->findChild<app::DialPicture*>();
    dial->setFocus();
    const QPoint at = dial->needleTip(-0.5).toPoint();
    QTest::mouseClick(dial, Qt::LeftButton, {}, at);
    ASSERT_TRUE(dial->value());
    EXPECT_NEAR(*dial->value(), -0.5, 0.011);
    QTest::keyClick(dial, Qt::Key_Down);
    const double shown = *dial->value();
    EXPECT_TRUE(label("dialMeaning").contains(QStringLiteral("boils at")));
    QTest::mouseClick(reader->findChild<QAbstractButton*>(QStringLiteral("dialTake")), Qt::LeftButton);
    EXPECT_EQ(d.session().draft().first, shown);
}

TEST_F(DialReaderTest, BackwardsItGivesTheDial) {
    auto* edit = reader->findChild<QLineEdit*>(QStringLiteral("dialBoils"));
    QTest::keyClicks(edit, QStringLiteral("60"));
    EXPECT_TRUE(label("dialBackwards").contains(QStringLiteral("\u22120.74 bar")))
        << label("dialBackwards").toStdString();
}

TEST_F(DialReaderTest, TheThermometerIsSetToAskBackwards) {
    auto* picture = reader->findChild<app::ThermometerPicture*>();
    picture->setFocus();
    QTest::mouseClick(picture, Qt::LeftButton, {}, QPoint(picture->width() / 3, picture->height() / 2));
    ASSERT_TRUE(picture->value());
    EXPECT_EQ(reader->findChild<QLineEdit*>(QStringLiteral("dialBoils"))->text().toDouble(),
              *picture->value());
    EXPECT_TRUE(label("dialBackwards").contains(QStringLiteral("boils at")));
    const double before = *picture->value();
    QTest::keyClick(picture, Qt::Key_Up);
    EXPECT_NEAR(*picture->value(), before + 0.5, 1e-9);
}

TEST_F(NewLesson, TheHeightWindowFollowsTheRoomAndTheActivationEnergy) {
    enterRoom();
    d.key(Qt::Key_H, Qt::ControlModifier);
    auto* window = d.window.findChild<app::AltitudeWindow*>();
    ASSERT_TRUE(window && window->isVisible());
    const auto advice = [&] {
        return Driver::wordsOf(*window->findChild<QLabel*>(QStringLiteral("altitudeAdvice")));
    };
    EXPECT_TRUE(advice().contains(QStringLiteral("98.0 °C"))) << advice().toStdString();
    EXPECT_TRUE(advice().contains(QStringLiteral("scalds")));
    const QString before = advice();
    auto* energy = window->findChild<QLineEdit*>(QStringLiteral("activationEnergy"));
    energy->selectAll();
    QTest::keyClicks(energy, QStringLiteral("400"));
    EXPECT_NE(advice(), before);
    EXPECT_EQ(window->findChild<QTableView*>(QStringLiteral("altitudeTable"))->model()->rowCount(), 13);
}

TEST_F(NewLesson, TheSolutionsWindowAnswersForTheCompositionTyped) {
    enterRoom();
    d.key(Qt::Key_J, Qt::ControlModifier);
    auto* window = d.window.findChild<app::SolutionsWindow*>();
    ASSERT_TRUE(window && window->isVisible());
    const auto answer = [&] {
        return Driver::wordsOf(*window->findChild<QLabel*>(QStringLiteral("solutionAnswer")));
    };
    auto* percent = window->findChild<QLineEdit*>(QStringLiteral("solutionPercent"));
    const auto type = [&](const char* text) {
        percent->selectAll();
        QTest::keyClicks(percent, QLatin1String(text));
    };
    type("23.3");
    EXPECT_TRUE(answer().contains(QStringLiteral("\u221221.1 °C"))) << answer().toStdString();
    type("40");
    EXPECT_TRUE(answer().contains(QStringLiteral("23.3 %")))
        << "says how far the bath goes: " << answer().toStdString();
    QTest::mouseClick(window->findChild<QAbstractButton*>(QStringLiteral("solutionTopic_2")), Qt::LeftButton);
    EXPECT_TRUE(answer().contains(QStringLiteral("begins to boil"))) << answer().toStdString();
    EXPECT_EQ(window->findChild<QTableView*>(QStringLiteral("solutionTable"))->model()->rowCount(), 11);
}

} // namespace
} // namespace uttrin
