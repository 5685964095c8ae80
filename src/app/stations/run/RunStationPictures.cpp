// Pictures at the bench: of boiling as the run means it, and of points.
#include "BoilingPicture.h"
#include "ReadingCard.h"
#include "RunStation.h"
#include "TakenCard.h"
#include "app/controller/Dialogs.h"
#include "app/controller/PictureFiles.h"
#include "app/controls/OnScreen.h"
#include "app/live/LiveBench.h"
#include "lesson/commands/PictureCommands.h"
#include "lesson/views/RunView.h"

#include <QFile>
#include <QFileInfo>

namespace uttrin::app {
std::optional<RunStation::ChosenPicture> RunStation::askPicture(const QString& title) {
    const QString path = dialogs::openFile(this, title, tr("Pictures (*.png *.jpg *.jpeg)"));
    if (path.isEmpty()) return std::nullopt;
    QFile file(path);
    const QFileInfo info(path);
    if (info.size() > static_cast<qint64>(kLargestPicture)) {
        m_controller.complain(
            tr("%1 is larger than the 40 MB of a picture that a notebook keeps. Make it smaller first.")
                .arg(info.fileName()));
        return std::nullopt;
    }
    const QByteArray bytes = file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    if (pictures::decoded(bytes).image.isNull()) {
        m_controller.complain(
            tr("%1 cannot be read as a PNG or JPEG picture. Nothing was changed.").arg(info.fileName()));
        return std::nullopt;
    }
    return ChosenPicture{pictures::bytesOf(bytes), info.lastModified().toMSecsSinceEpoch()};
}

void RunStation::wirePictures() {
    connect(m_boiling, &BoilingPicture::fileRequested, this, [this] {
        if (auto chosen = askPicture(tr("How it looks when it boils")))
            m_controller.carryOut(&PictureCommands::keepReference, std::move(chosen->file), chosen->fileMs);
    });
    connect(m_boiling, &BoilingPicture::pasteRequested, this, [this] {
        const QByteArray picture = pictures::onClipboard();
        if (picture.isEmpty())
            return m_controller.complain(
                tr("There is no picture on the clipboard. Copy one first, or choose a file."));
        m_controller.carryOut(&PictureCommands::keepReference, pictures::bytesOf(picture),
                              m_controller.clock().now());
    });
    connect(m_boiling, &BoilingPicture::lookRequested, this, [this] {
        if (const auto run = session().runId())
            if (const BenchPicture* picture = session().model().referenceOf(*run))
                emit benchPictureRequested(*picture);
    });
    connect(m_taken, &TakenCard::attachRequested, this, &RunStation::attachPicture);
}

/// To the point that is chosen in the list, else to the newest.
void RunStation::attachPicture() {
    auto id = m_taken->chosen();
    if (!id && session().runId()) {
        const auto readings = session().model().readingsOf(*session().runId());
        if (!readings.empty()) id = readings.back().id;
    }
    if (!id) return m_controller.say(tr("Capture a point first: the picture is attached to it."));
    auto chosen = askPicture(tr("A picture of this point"));
    if (!chosen) return;
    if (m_controller.carryOut(&PictureCommands::attach, *id, std::move(chosen->file), chosen->fileMs))
        m_controller.say(tr(
            "The picture is in the notebook. Read an instrument on it whenever there is time: ‘Look at its "
            "picture’."));
}

void RunStation::showBoiling(const RunView& view) {
    if (view.reference != m_boilingShown) {
        m_boilingShown = view.reference;
        m_boilingImage = {};
        if (view.reference)
            if (const auto stored = session().notebook().picture(*view.reference))
                m_boilingImage = pictures::decoded(pictures::fileOf(*stored)).image;
    }
    m_boiling->show(onScreen(view.picture), m_boilingImage, session().runId().has_value());
    placeBoiling();
}

/// A simulated rig has no look of its own, and needs the place for its hands.
void RunStation::placeBoiling() { m_boiling->setVisible(!m_live.isSimulated()); }

} // namespace uttrin::app
