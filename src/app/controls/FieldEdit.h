#pragma once

#include <QLineEdit>

namespace uttrin::app {

/// A line of text that leaves Undo and Redo to the notebook when it has nothing of its own to take back.
class FieldEdit : public QLineEdit {
    Q_OBJECT
public:
    using QLineEdit::QLineEdit;
    bool event(QEvent* event) override;
    /// What stands in it while it is empty.
    void setQuestion(const QString& question);
    /// As wide as a name or two need, where it stands among others.
    void setUsualWidth(int px);
    /// Never narrower than this, nor than what it asks for.
    void setLeastWidth(int px);
    /// Wide enough for what it asks for while it is empty.
    [[nodiscard]] QSize sizeHint() const override;

private:
    void inkQuestion();
    [[nodiscard]] int widthOfQuestion() const;
    void fit();
    QString m_question;
    int m_least = 0; ///< px
    int m_usual = 0; ///< px; 0: as lines of text usually are
};

/// A field for a name, known by this object name.
QLineEdit* nameEdit(const char* name, const QString& accessible);

} // namespace uttrin::app
