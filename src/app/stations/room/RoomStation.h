#pragma once

#include "app/controller/StationPage.h"

class QLineEdit;
class QPushButton;

namespace uttrin::app {

class Words;
class NumberField;
class PhaseMap;
class Segments;
class RoomSourceForm;

/// The room's pressure: how it was obtained, what follows, what it costs if it is only assumed.
class RoomStation : public StationPage {
    Q_OBJECT
public:
    explicit RoomStation(LessonController& controller);
    /// Puts what a picture of a mercury barometer shows into the form; the picture goes into the record with
    /// it. @param unit  of the scale.
    void takePhoto(const PhotoEvidence& evidence, const QString& unit);

protected:
    void refresh() override;

private:
    QWidget* buildSource();
    QWidget* buildRecord();
    QWidget* buildLesson();
    void wire();
    void preview();
    void enter(RoomRole role);
    [[nodiscard]] std::optional<Milliseconds> typedTime(const QString& text, Milliseconds onDayOf) const;
    void renameLesson();

    RoomSourceForm* m_source;
    Words *m_result, *m_resultUnder, *m_warning, *m_history, *m_scope;
    QLineEdit* m_time;
    QWidget* m_timeBox;
    QPushButton *m_enter, *m_end;
    Words* m_disagreements;
    QLineEdit *m_title, *m_school, *m_room;
    PhaseMap* m_map;
    RowId m_shownRecord = -1;
    std::string m_shownNotebook; ///< its path
    /// A barometer's picture, kept while the form shows what was read from it.
    struct PhotoTaken {
        PhotoEvidence evidence;
        double value; ///< of the whole scale, as the form shows it
    };
    std::optional<PhotoTaken> m_photo;
};

} // namespace uttrin::app
