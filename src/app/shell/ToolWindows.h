#pragma once

#include "app/controller/LessonController.h"

class QWidget;

namespace uttrin::app {

class AltitudeWindow;
class ListenDialog;
class LiveBench;
class TraceWindow;
class DialReader;
class KeySheet;
class PhotoReader;
class SolutionsWindow;

/// The windows that stay beside the lesson, each built when it is first asked for and kept from then on.
class ToolWindows : public QObject {
    Q_OBJECT
public:
    /// @param window  beside which they stand, and with which they go.
    /// @param live  outlives this.
    ToolWindows(LessonController& controller, LiveBench& live, QWidget* window);

    void openDialReader();
    PhotoReader* openPhotoReader();
    /// The picture from which a reading was taken, if there is one.
    void showPhotoOf(RowId readingId);
    void showBenchPicture(const BenchPicture& picture);
    void openAltitudes();
    void openSolutions();
    void openKeys();
    void openListen();
    TraceWindow* openTrace();

signals:
    void momentTaken(); ///< of a trace, into the fields at Run
    /// A reading of the barometer was taken from a picture, in this unit.
    void barometerTaken(const PhotoEvidence& evidence, const QString& unit);

private:
    LessonController& m_controller;
    LiveBench& m_live;
    QWidget* m_window;
    ListenDialog* m_listen = nullptr;
    TraceWindow* m_trace = nullptr;
    DialReader* m_dialReader = nullptr;
    PhotoReader* m_photoReader = nullptr;
    AltitudeWindow* m_altitudes = nullptr;
    SolutionsWindow* m_solutions = nullptr;
    KeySheet* m_keys = nullptr;
};

} // namespace uttrin::app
