#pragma once

#include "app/controller/ToolWindow.h"
#include "photo/PhotoMarking.h"

#include <QImage>

class QCheckBox;
class QComboBox;
class QPushButton;
class QVBoxLayout;

namespace uttrin::app {

class Words;
class Loupe;
class MarkList;
class NumberField;
class PhotoCanvas;
class Segments;

/// Measures an instrument on a picture of it: marks on known graduations and on what is to be read, a reading
/// with its uncertainty. The picture and its marks go with the reading into the notebook.
class PhotoReader : public ToolWindow {
    Q_OBJECT
public:
    explicit PhotoReader(LessonController& controller, QWidget* parent = nullptr);

    /// Whether a file's name says that it is a picture that can be opened.
    [[nodiscard]] static bool isPicture(const QString& path);
    /// @return false, with the reason said in the window, if it cannot be read.
    bool openPicture(const QString& path);
    void pastePicture();
    /// A picture that the program draws of the chosen instrument, for practice; never taken as a reading.
    void openSample();
    /// Puts the marks of a sample where they belong; nothing without a sample.
    void markSample();
    /// A picture from the notebook, with its marks.
    void showStored(const Photo& photo);
    /// A picture that was taken at the bench: one of a point can be read now.
    void showBenchPicture(const BenchPicture& picture);

signals:
    /// A reading of the barometer was taken, in this unit; pressures and temperatures go to the draft.
    void barometerTaken(const PhotoEvidence& evidence, const QString& unit);

protected:
    void refresh() override;
    void showEvent(QShowEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    enum class Shows { Gauge, Thermometer, Barometer };
    QWidget* buildSide();
    void wire();
    bool load(QByteArray bytes, const QString& name);
    void showMarks();
    void readMarks();
    void take();
    void fail(const QString& sentence);
    [[nodiscard]] Shows shows() const;
    [[nodiscard]] QString unitOfScale() const;
    [[nodiscard]] QStringList sights() const;

    PhotoMarking m_marking;
    QByteArray m_bytes;                      ///< the picture's file, as it was brought in
    std::vector<double> m_truth;             ///< of a sample; empty for a picture of the person's own
    std::optional<PhotoMarks> m_sampleMarks; ///< where they belong on it
    std::vector<PhotoReading> m_reading;
    std::optional<BenchPicture> m_attached; ///< that is shown, of a point
    bool m_ofTheRecord = false;             ///< shows a picture that is in the notebook already
    int m_samples = 0;
    PhotoCanvas* m_canvas;
    Loupe* m_loupe;
    Segments *m_shows, *m_shape, *m_rise;
    QComboBox* m_barometerUnit;
    QCheckBox* m_tilted;
    NumberField* m_placing;
    MarkList* m_marks;
    Words *m_result, *m_meaning, *m_message;
    QPushButton *m_take, *m_clear, *m_showMe;
};

} // namespace uttrin::app
