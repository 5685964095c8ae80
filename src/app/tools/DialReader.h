#pragma once

#include "app/controller/ToolWindow.h"
#include "lesson/lookups/DialMeaning.h"

class QPushButton;

namespace uttrin::app {

class Words;
class FieldEdit;
class InstrumentPair;
class NumberField;
class Segments;

/// What does this reading mean, and what will the dial show? A small window that stays open beside the
/// lesson.
class DialReader : public ToolWindow {
    Q_OBJECT
public:
    explicit DialReader(LessonController& controller, QWidget* parent = nullptr);
    /// Shows a text as if it had been typed.
    void read(const QString& text);

protected:
    void refresh() override;
    void showEvent(QShowEvent* event) override;

private:
    void wire();
    void readText();
    void showReading(const DialText& text);
    void showBackwards();

    FieldEdit* m_text;
    Segments* m_from;
    Words *m_question, *m_meaning, *m_backwards;
    NumberField* m_boils;
    QPushButton* m_take;
    InstrumentPair* m_pair;
    std::optional<GaugeReading> m_ofTheRig; ///< the reading shown, where it is the rig's own gauge's
};

} // namespace uttrin::app
