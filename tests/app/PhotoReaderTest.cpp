#include "app/photo/PhotoReader.h"

#include "Driver.h"
#include "app/photo/PhotoCanvas.h"
#include "app/photo/SamplePhotos.h"
#include "lesson/commands/RunCommands.h"

#include <QBuffer>
#include <QClipboard>
#include <QFile>
#include <QMimeData>
#include <QTableView>

#include <cmath>
#include <cstring>

namespace uttrin {
namespace {

using testing::Driver;

PressureInstrument dialOf(double low, double high) {
    PressureInstrument i;
    i.convention = PressureConvention::GaugeNegative;
    i.unit = "bar";
    i.division = 0.02;
    i.spanLow = low;
    i.spanHigh = high;
    return i;
}

app::SamplePhoto dialAt(double value, bool tilted) {
    return app::sampleDial(dialOf(-1.0, 0.0), value, 94310.0, tilted);
}

class PhotoReaderTest : public testing::NewLesson {
protected:
    app::PhotoReader* reader = nullptr;
    app::PhotoCanvas* canvas = nullptr;

    void SetUp() override {
        enterRoom();
        d.key(Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
        reader = d.window.findChild<app::PhotoReader*>();
        ASSERT_TRUE(reader && reader->isVisible());
        canvas = reader->findChild<app::PhotoCanvas*>();
    }
    QString file(const QImage& picture, const char* name = "dial.png") {
        const QString path = QString::fromStdString((dir / name).string());
        EXPECT_TRUE(picture.save(path));
        return path;
    }
    void click(PhotoPoint at) {
        QTest::mouseClick(canvas, Qt::LeftButton, {}, canvas->toWidget(at).toPoint());
        Driver::settle();
    }
    void press(const char* button) {
        auto* b = reader->findChild<QAbstractButton*>(QLatin1String(button));
        ASSERT_TRUE(b && b->isEnabled()) << button;
        QTest::mouseClick(b, Qt::LeftButton);
        Driver::settle();
    }
    void printed(int step, double value) {
        auto* edit = reader->findChild<QLineEdit*>(QStringLiteral("photoValue_%1").arg(step));
        ASSERT_NE(edit, nullptr);
        edit->clear();
        QTest::keyClicks(edit, QString::number(value));
        Driver::settle();
    }
    QString label(const char* name) {
        return Driver::wordsOf(*reader->findChild<QLabel*>(QLatin1String(name)));
    }
    /// The number at the head of the result.
    double result() {
        return label("photoResult")
            .section(QLatin1Char(' '), 0, 0)
            .replace(QChar(0x2212), QLatin1Char('-'))
            .toDouble();
    }
    /// Clicks every mark where it belongs, and types what is printed there.
    void markAll(const PhotoMarks& marks) {
        const PhotoMarking wanted(marks);
        for (std::size_t i = 0; i < wanted.steps().size(); ++i) {
            click(*wanted.steps()[i].at);
            if (const auto value = wanted.steps()[i].value) printed(static_cast<int>(i), *value);
        }
    }
};

TEST_F(PhotoReaderTest, ADialIsReadFromAFileAndCapturedWithItsPicture) {
    ASSERT_TRUE(d.controller.carryOut(&RunCommands::startRun, "Cedar"));
    const auto photo = dialAt(-0.62, false);
    const QString path = file(photo.picture);
    ASSERT_TRUE(reader->openPicture(path));
    EXPECT_TRUE(label("photoMessage").contains(QStringLiteral("centre")));
    markAll(photo.marks);
    EXPECT_NEAR(result(), -0.62, 0.01) << label("photoResult").toStdString();
    EXPECT_TRUE(label("photoMeaning").contains(QStringLiteral("kPa absolute")));
    press("photoTake");
    ASSERT_TRUE(d.session().draft().first);
    EXPECT_NEAR(*d.session().draft().first, -0.62, 0.01);
    BenchDraft draft = d.session().draft();
    draft.temperature = 71.0;
    draft.isolated = true;
    d.controller.setDraft(draft);
    const auto captured = d.controller.carryOut(&BenchCommands::capture, true);
    ASSERT_TRUE(captured && captured->readingId);
    const auto& photos = d.session().model().data().photos;
    ASSERT_EQ(photos.size(), 1U);
    QFile stored(path);
    ASSERT_TRUE(stored.open(QIODevice::ReadOnly));
    const QByteArray original = stored.readAll();
    const auto kept = d.session().notebook().picture(photos.front().pictureId).value();
    ASSERT_EQ(kept.size(), static_cast<std::size_t>(original.size()));
    EXPECT_EQ(std::memcmp(kept.data(), original.constData(), kept.size()), 0);
    // And it can be looked at again, with its marks.
    d.controller.refresh();
    goTo(Station::Run);
    auto* table = d.find<QTableView>("taken");
    table->selectRow(0);
    d.press("takenPicture");
    EXPECT_NEAR(result(), -0.62, 0.01);
    EXPECT_FALSE(reader->findChild<QAbstractButton*>(QStringLiteral("photoTake"))->isEnabled());
    EXPECT_TRUE(label("photoMessage").contains(QStringLiteral("in the notebook")));
}

TEST_F(PhotoReaderTest, ATiltedDialNeedsFourGraduationsAndReadsTheSame) {
    const auto photo = dialAt(-0.5, true);
    ASSERT_TRUE(reader->openPicture(file(photo.picture)));
    PhotoMarks square = photo.marks;
    square.tilted = false;
    square.graduations = {photo.marks.graduations.front(), photo.marks.graduations.back()};
    markAll(square);
    EXPECT_GT(std::abs(result() - -0.5), 0.006) << "read as if square, the tilt falsifies it";
    press("photoClear");
    press("photoTilted");
    markAll(photo.marks);
    EXPECT_NEAR(result(), -0.5, 0.003) << label("photoResult").toStdString();
}

TEST_F(PhotoReaderTest, EverySampleMarkedAsItShouldBeReadsWhatItShows) {
    for (const bool tilted : {false, true}) {
        for (const char* shows : {"photoShows_0", "photoShows_1", "photoShows_2"}) {
            SCOPED_TRACE(std::string(shows) + (tilted ? ", tilted" : ""));
            press(shows);
            auto* box = reader->findChild<QAbstractButton*>(QStringLiteral("photoTilted"));
            if (box->isChecked() != tilted) press("photoTilted");
            press("photoSample");
            press("photoShowMe");
            const QString off =
                label("photoMeaning").section(QStringLiteral("you are "), 1).section(QLatin1Char(' '), 0, 0);
            EXPECT_FALSE(off.isEmpty()) << label("photoMeaning").toStdString();
            EXPECT_NEAR(QString(off).replace(QChar(0x2212), QLatin1Char('-')).toDouble(), 0.0, 1e-6);
        }
    }
}

TEST_F(PhotoReaderTest, MarksAreMovedByKeysAndByDragging) {
    const auto photo = dialAt(-0.62, false);
    ASSERT_TRUE(reader->openPicture(file(photo.picture)));
    markAll(photo.marks);
    const double before = result();
    // Nothing is left to mark: the needle's mark stays in hand.
    canvas->choose(3);
    canvas->setFocus();
    for (int i = 0; i < 6; ++i)
        QTest::keyClick(canvas, Qt::Key_Up, Qt::ControlModifier);
    EXPECT_GT(std::abs(result() - before), 0.01);
    for (int i = 0; i < 6; ++i)
        QTest::keyClick(canvas, Qt::Key_Down, Qt::ControlModifier);
    EXPECT_NEAR(result(), before, 1e-9);
}

TEST_F(PhotoReaderTest, ASampleTellsHowCloseOneCameAndIsNeverRecorded) {
    ASSERT_TRUE(d.controller.carryOut(&RunCommands::startRun, "Cedar"));
    press("photoSample");
    markAll(app::sampleDial(d.session().plan().rig.gauge, -0.4, 94310.0, false).marks);
    EXPECT_TRUE(label("photoMeaning").contains(QStringLiteral("A sample, drawn at")))
        << label("photoMeaning").toStdString();
    EXPECT_FALSE(reader->findChild<QAbstractButton*>(QStringLiteral("photoTake"))->isEnabled());
}

TEST_F(PhotoReaderTest, APictureIsPastedAndAnythingElseIsRefusedWithAReason) {
    QApplication::clipboard()->clear();
    reader->pastePicture();
    EXPECT_TRUE(label("photoMessage").contains(QStringLiteral("no picture on the clipboard")));
    QApplication::clipboard()->setImage(dialAt(-0.62, false).picture);
    reader->pastePicture();
    EXPECT_FALSE(canvas->picture().isNull());
    const QString path = QString::fromStdString((dir / "words.png").string());
    QFile words(path);
    ASSERT_TRUE(words.open(QIODevice::WriteOnly));
    words.write("not a picture");
    words.close();
    const QSize before = canvas->picture().size();
    EXPECT_FALSE(reader->openPicture(path));
    EXPECT_TRUE(label("photoMessage").contains(QStringLiteral("PNG or JPEG")))
        << label("photoMessage").toStdString();
    EXPECT_EQ(canvas->picture().size(), before) << "the picture that was open stays";
    EXPECT_FALSE(reader->openPicture(QString::fromStdString((dir / "none.png").string())));
}

TEST_F(PhotoReaderTest, AJpegOnTheWindowOpensTheReader) {
    reader->hide();
    QMimeData mime;
    mime.setUrls({QUrl::fromLocalFile(file(dialAt(-0.62, false).picture, "dial.jpg"))});
    QDragEnterEvent enter(QPoint(300, 300), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&d.window, &enter);
    QDropEvent drop(QPointF(300, 300), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&d.window, &drop);
    Driver::settle();
    EXPECT_TRUE(reader->isVisible());
    EXPECT_FALSE(canvas->picture().isNull());
}

TEST_F(PhotoReaderTest, ABarometersVernierGoesToTheRoomWithItsPicture) {
    press("photoShows_2");
    MercuryReading shown;
    shown.mainScale = 707.0;
    shown.vernierLine = 4;
    const auto sample = app::sampleBarometer(shown, false);
    ASSERT_TRUE(reader->openPicture(file(sample.picture)));
    markAll(sample.marks);
    EXPECT_NEAR(result(), 707.4, 0.3);
    press("photoTake");
    EXPECT_EQ(d.window.station(), Station::Room);
    EXPECT_EQ(d.find<QLineEdit>("barometerMain")->text(), QStringLiteral("707"));
    d.type("barometerAttached", QStringLiteral("21"));
    d.type("barometerLatitude", QStringLiteral("47"));
    d.type("barometerHeight", QStringLiteral("612"));
    d.press("roomEnter");
    ASSERT_EQ(d.session().model().data().photos.size(), 1U);
    EXPECT_EQ(d.session().model().data().photos.front().shows, PhotoSubject::Room);
}

} // namespace
} // namespace uttrin
