#pragma once

#include "lesson/model/NotebookGlance.h"

#include <QAbstractButton>

namespace uttrin::app {

/// A recent notebook: its points on a little phase map, what it is and how far it got. Pressed, it opens.
class NotebookCard : public QAbstractButton {
    Q_OBJECT
public:
    /// @param glance  may be a failure: then the card says why it cannot be opened.
    NotebookCard(const QString& path, const Result<NotebookGlance>& glance, Milliseconds now,
                 QWidget* parent = nullptr);
    [[nodiscard]] QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    void paintMap(QPainter& p, const QRectF& area) const;
    Result<NotebookGlance> m_glance;
    QStringList m_lines; ///< title, then what is known of it
};

} // namespace uttrin::app
