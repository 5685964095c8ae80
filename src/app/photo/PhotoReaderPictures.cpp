// How pictures come into the photo reader: opened, pasted, dropped, drawn, from the record.
#include "MarkList.h"
#include "PhotoCanvas.h"
#include "PhotoReader.h"
#include "SamplePhotos.h"
#include "app/controller/Dialogs.h"
#include "app/controller/PictureFiles.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "instruments/BarometerScales.h"
#include "lesson/commands/PictureCommands.h"
#include "lesson/lookups/DialMeaning.h"
#include "quantities/Rounding.h"

#include <QCheckBox>
#include <QClipboard>
#include <QComboBox>
#include <QDragEnterEvent>
#include <QFile>
#include <QFileInfo>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QMimeData>
#include <QShortcut>

#include <algorithm>
#include <cmath>
namespace uttrin::app {
bool PhotoReader::isPicture(const QString& path) {
    const QString suffix = QFileInfo(path).suffix().toLower();
    return suffix == QLatin1String("png") || suffix == QLatin1String("jpg") ||
           suffix == QLatin1String("jpeg");
}

bool PhotoReader::load(QByteArray bytes, const QString& name) {
    const pictures::Decoded picture = pictures::decoded(bytes);
    if (!picture.known) {
        fail(tr("%1 is not a PNG or JPEG picture. Save it as one of these and open it again.").arg(name));
        return false;
    }
    if (picture.image.isNull()) {
        fail(tr("%1 cannot be read (%2). Nothing was changed.").arg(name, picture.why));
        return false;
    }
    m_bytes = std::move(bytes);
    m_truth.clear();
    m_sampleMarks.reset();
    m_ofTheRecord = false;
    m_attached.reset();
    m_marking.clear();
    m_canvas->setPicture(picture.image);
    showMarks();
    return true;
}

bool PhotoReader::openPicture(const QString& path) {
    const QString name = QFileInfo(path).fileName();
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly)) {
        fail(tr("%1 cannot be opened: %2.").arg(name, file.errorString()));
        return false;
    }
    if (file.size() > static_cast<qint64>(kLargestPicture)) {
        fail(tr("%1 has %2 MB; a picture of up to 40 MB can be kept in the notebook. Make it smaller first.")
                 .arg(name)
                 .arg(file.size() / 1'000'000));
        return false;
    }
    return load(file.readAll(), name);
}

void PhotoReader::pastePicture() {
    const QMimeData* mime = QGuiApplication::clipboard()->mimeData();
    if (mime && mime->hasUrls() && isPicture(mime->urls().front().toLocalFile())) {
        openPicture(mime->urls().front().toLocalFile());
        return;
    }
    QByteArray bytes = pictures::onClipboard();
    if (bytes.isEmpty()) {
        fail(tr("There is no picture on the clipboard. Copy one first, or open a file."));
        return;
    }
    load(std::move(bytes), tr("The picture on the clipboard"));
}

void PhotoReader::openSample() {
    const auto& session = m_controller.session();
    const double pascal = session.roomOrStandard().pascal();
    // Values walk through the scale by the golden section: different each time, the same in every session.
    const double share = std::fmod(0.31 + 0.618034 * m_samples, 0.9) + 0.05;
    ++m_samples;
    const bool tilted = m_tilted->isChecked();
    SamplePhoto sample;
    if (shows() == Shows::Thermometer) {
        Thermometer t = session.plan().rig.thermometer;
        if (readsOhms(t)) t = Thermometer{};
        sample = sampleThermometer(t, unit(t.unit).fromSi(kIcePointKelvin + 100.0 * share), tilted);
    } else if (shows() == Shows::Barometer) {
        const MercuryReading scale =
            barometerGraduatedIn(m_barometerUnit->currentData().toString().toStdString());
        sample = sampleBarometer(withValue(scale, pascal * (0.985 + 0.03 * share) / unit(scale.unit).factor),
                                 tilted);
    } else {
        const auto& gauge = session.plan().rig.gauge;
        const Pressure inside = Pressure::fromPascal(pascal * (0.05 + 0.9 * share));
        const double value = scaleValue(gauge, toReading(gauge, inside, Pressure::fromPascal(pascal)));
        sample = hasTwoArms(gauge.convention) ? sampleTube(gauge, value, tilted)
                                              : sampleDial(gauge, value, pascal, tilted);
    }
    m_bytes.clear();
    m_ofTheRecord = false;
    m_attached.reset();
    m_truth = sample.truth;
    m_sampleMarks = sample.marks;
    m_marking.clear();
    m_canvas->setPicture(sample.picture);
    showMarks();
}

void PhotoReader::markSample() {
    if (!m_sampleMarks) return;
    m_marking = PhotoMarking(*m_sampleMarks);
    m_shape->choose(m_sampleMarks->shape == ScaleShape::Round ? 1 : 0);
    m_tilted->setChecked(m_sampleMarks->tilted);
    m_rise->choose(0);
    refresh();
    m_canvas->choose(m_marking.steps().size() - 1);
}

void PhotoReader::showStored(const Photo& photo) {
    const auto marks = photoMarksFromJson(photo.marks);
    const auto stored = m_controller.session().notebook().picture(photo.pictureId);
    if (!stored) return fail(onScreen(stored.error().message));
    m_shows->choose(static_cast<int>(photo.shows == PhotoSubject::Temperature ? Shows::Thermometer
                                     : photo.shows == PhotoSubject::Room      ? Shows::Barometer
                                                                              : Shows::Gauge));
    if (!load(pictures::fileOf(*stored), tr("The picture of this reading"))) return;
    if (!marks) {
        fail(onScreen(marks.error().message));
        return;
    }
    m_ofTheRecord = true;
    m_marking = PhotoMarking(*marks);
    m_shape->choose(marks->shape == ScaleShape::Round ? 1 : 0);
    m_tilted->setChecked(marks->tilted);
    m_rise->choose(marks->clockwise ? 0 : 1);
    refresh();
}

void PhotoReader::showBenchPicture(const BenchPicture& picture) {
    const auto stored = m_controller.session().notebook().picture(picture.pictureId);
    if (!stored) return fail(onScreen(stored.error().message));
    if (!load(pictures::fileOf(*stored), tr("The picture in the notebook"))) return;
    m_ofTheRecord = !picture.readingId;
    if (picture.readingId) m_attached = picture;
    showMarks();
}

void PhotoReader::dragEnterEvent(QDragEnterEvent* event) {
    const QMimeData* mime = event->mimeData();
    if (mime->hasImage() || (mime->hasUrls() && isPicture(mime->urls().front().toLocalFile())))
        event->acceptProposedAction();
}

void PhotoReader::dropEvent(QDropEvent* event) {
    const QMimeData* mime = event->mimeData();
    if (mime->hasUrls()) openPicture(mime->urls().front().toLocalFile());
}

} // namespace uttrin::app
