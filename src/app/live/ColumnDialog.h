#pragma once

#include "app/controller/ToolWindow.h"
#include "trace/LoggerFile.h"

#include <vector>

class QComboBox;
class QGridLayout;
class QPushButton;

namespace uttrin::app {

class FieldEdit;
class NumberField;
class TraceChart;
class Words;

/// How a logger's file is laid out: which column is what, in which unit. It is guessed, can be said
/// otherwise, is remembered for files with the same heading, and shown as it will be brought in.
class ColumnDialog : public ToolWindow {
    Q_OBJECT
public:
    explicit ColumnDialog(LessonController& controller, QWidget* parent = nullptr);
    /// Looks at a file; why it cannot be read is said in the window.
    void look(const QString& path);
    /// The same for a text that was pasted.
    void lookAtText(const QString& text);

signals:
    void broughtIn();

protected:
    void refresh() override;

private:
    /// @param writtenMs  when the text was written, as far as that is known.
    void lookAt(std::string text, const QString& name, std::int64_t writtenMs);
    void buildColumns();
    void takeColumns();
    void showTrace();
    void bringIn();
    void remember() const;
    [[nodiscard]] bool recall();
    [[nodiscard]] QString headingKey() const;

    QString m_name; ///< of the file
    std::string m_text;
    LoggerLayout m_layout;
    Trace m_trace;
    QComboBox *m_separator, *m_decimal;
    NumberField* m_header;
    QGridLayout* m_columns;
    std::vector<QComboBox*> m_meanings, m_units;
    TraceChart* m_chart;
    Words* m_state;
    FieldEdit* m_begun;
    QPushButton* m_bring;
};

} // namespace uttrin::app
