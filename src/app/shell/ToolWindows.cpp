#include "ToolWindows.h"

#include "app/live/ListenDialog.h"
#include "app/live/TraceWindow.h"
#include "app/photo/PhotoReader.h"
#include "app/tools/AltitudeWindow.h"
#include "app/tools/DialReader.h"
#include "app/tools/KeySheet.h"
#include "app/tools/SolutionsWindow.h"

namespace uttrin::app {
namespace {

/// Shows a window that stays beside the lesson, in front of what covers it.
void bringUp(QWidget* window) {
    window->show();
    window->raise();
    window->activateWindow();
}

} // namespace

ToolWindows::ToolWindows(LessonController& controller, LiveBench& live, QWidget* window)
    : QObject(window), m_controller(controller), m_live(live), m_window(window) {}

void ToolWindows::openDialReader() {
    if (!m_dialReader) m_dialReader = new DialReader(m_controller, m_window);
    bringUp(m_dialReader);
}

PhotoReader* ToolWindows::openPhotoReader() {
    if (!m_photoReader) {
        m_photoReader = new PhotoReader(m_controller, m_window);
        connect(m_photoReader, &PhotoReader::barometerTaken, this, &ToolWindows::barometerTaken);
    }
    bringUp(m_photoReader);
    return m_photoReader;
}

void ToolWindows::showPhotoOf(RowId readingId) {
    const auto& model = m_controller.session().model();
    for (const PhotoSubject shows : {PhotoSubject::Pressure, PhotoSubject::Temperature})
        if (const Photo* photo = model.photoOf(readingId, shows)) {
            openPhotoReader()->showStored(*photo);
            return;
        }
    if (const BenchPicture* picture = model.attachedTo(readingId)) return showBenchPicture(*picture);
    m_controller.say(tr("This point was read by eye; it has no picture."));
}

void ToolWindows::showBenchPicture(const BenchPicture& picture) {
    openPhotoReader()->showBenchPicture(picture);
}

void ToolWindows::openAltitudes() {
    if (!m_altitudes) m_altitudes = new AltitudeWindow(m_controller, m_window);
    bringUp(m_altitudes);
}

void ToolWindows::openSolutions() {
    if (!m_solutions) m_solutions = new SolutionsWindow(m_controller, m_window);
    bringUp(m_solutions);
}

void ToolWindows::openListen() {
    if (!m_listen) m_listen = new ListenDialog(m_controller, m_live, m_window);
    bringUp(m_listen);
}

TraceWindow* ToolWindows::openTrace() {
    if (!m_trace) {
        m_trace = new TraceWindow(m_controller, m_window);
        connect(m_trace, &TraceWindow::momentTaken, this, &ToolWindows::momentTaken);
    }
    bringUp(m_trace);
    return m_trace;
}

void ToolWindows::openKeys() {
    if (!m_keys) m_keys = new KeySheet(m_window);
    bringUp(m_keys);
}

} // namespace uttrin::app

#include "moc_ToolWindows.cpp"
