#include "ClassWindow.h"

#include "ForecastChart.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "app/live/LiveBench.h"
#include "app/live/TraceChart.h"
#include "app/live/TraceView.h"
#include "app/rigdrawing/RigDrawing.h"

#include <QCloseEvent>
#include <QKeyEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kFigure = 128, kHead = 40, kQuestion = 56, kText = 36, kSmall = 30; // px at 1920 by 1080
constexpr int kAround = 40, kBetween = 20, kLeastPicture = 120;
constexpr QSize kMeasure(1920, 1080);

} // namespace

ClassWindow::ClassWindow(LessonController& controller, ActInHand& hand, LiveBench& live)
    : QWidget(nullptr, Qt::Window), m_controller(controller), m_hand(hand), m_live(live),
      m_trace(new TraceChart(this)), m_drawing(new RigDrawing(this)), m_chart(new ForecastChart(this)) {
    setObjectName(QStringLiteral("classWindow"));
    setWindowTitle(tr("The class’s window"));
    setAccessibleName(tr("What the class sees"));
    resize(1280, 720);
    setMinimumSize(640, 360);
    m_drawing->hide(); // both are painted into this window, in its colours
    m_chart->hide();
    m_trace->hide();
    connect(&m_live, &LiveBench::moved, this, &ClassWindow::look);
    connect(&m_hand, &ActInHand::changed, this, &ClassWindow::look);
    connect(&m_hand, &ActInHand::moved, this, &ClassWindow::look);
    connect(&m_controller, &LessonController::changed, this, &ClassWindow::look);
}

void ClassWindow::setShowsForecast(bool shows) {
    m_shows = shows;
    look();
}

void ClassWindow::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    look();
}

void ClassWindow::look() {
    if (!isVisible() || !m_controller.isOpen()) return;
    if (showsLive()) {
        constexpr double kShown = 300.0; // s
        m_trace->show(traceViewOf(m_live, m_controller.session(), kShown),
                      traceClockOf(m_live, m_controller.session()));
    }
    const Act* act = m_hand.act();
    const auto frozen = m_hand.frozen();
    m_view =
        act ? classView(m_controller.session(), *act, m_hand.view(), frozen.get(), m_shows) : ClassView();
    if (const Rehearsal* course = m_hand.course()) {
        const double seconds = m_hand.courseSeconds();
        RigScene scene = sceneOf(*course, course->sampleAt(seconds));
        if (!m_view.showsForecast) { // what the model has it read gives the forecast away
            scene.thermometer = scene.gauge = Text();
            scene.lines.clear();
        }
        m_drawing->show(scene, seconds);
    }
    m_chart->setShowsForecast(m_view.showsForecast);
    m_chart->show(frozen, m_view.showsForecast ? m_hand.learned() : nullptr, m_hand.view());
    spokenChanged(this);
    update();
}

bool ClassWindow::showsLive() const { return m_live.isLive() && !m_hand.isLive(); }

QString ClassWindow::spokenValue() const {
    if (showsLive())
        return QStringList({onScreen(m_live.view().pressure), onScreen(m_live.view().temperature),
                            onScreen(m_live.view().verdict)})
            .join(QStringLiteral(", "));
    QStringList parts{onScreen(m_view.title)};
    if (m_view.question) parts << onScreen(m_view.question->asks) << onScreen(m_view.question->tally);
    if (!m_view.temperature.empty())
        parts << tr("%1 %2, %3")
                     .arg(onScreen(m_view.temperature), onScreen(m_view.temperatureUnit),
                          onScreen(m_view.read));
    parts.removeAll(QString());
    return parts.join(QStringLiteral(". "));
}

int ClassWindow::px(int at1080) const {
    const double scale = std::min(static_cast<double>(width()) / kMeasure.width(),
                                  static_cast<double>(height()) / kMeasure.height());
    return std::max(12, static_cast<int>(std::lround(at1080 * scale)));
}

int ClassWindow::figureHeight() const { return px(kFigure); }

void ClassWindow::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape || event->key() == Qt::Key_F11) {
        close();
        return;
    }
    QWidget::keyPressEvent(event);
}

void ClassWindow::closeEvent(QCloseEvent* event) {
    emit closed();
    QWidget::closeEvent(event);
}

void ClassWindow::write(QPainter& p, QRect& room, const QString& text, int at1080, QFont::Weight weight,
                        const QColor& colour) const {
    if (text.isEmpty() || room.height() <= 0) return;
    p.setFont(fontOf(px(at1080), weight));
    p.setPen(colour);
    const QRect taken = p.boundingRect(room, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, text);
    if (taken.height() > room.height()) return; // rather nothing than half of it
    p.drawText(room, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, text);
    room.setTop(taken.bottom() + px(kBetween));
}

void ClassWindow::paintHead(QPainter& p, QRect& room) const {
    const Theme& t = theme();
    QString bells;
    for (const BellView& bell : m_view.bells) {
        if (bells.count(QLatin1Char('\n')) >= 1) break;
        bells += (bells.isEmpty() ? QString() : QStringLiteral("\n")) +
                 QStringLiteral("%1%2  %3")
                     .arg(bell.rings ? QStringLiteral("\u25B6 ") : QString(), onScreen(bell.title),
                          onScreen(bell.time));
    }
    p.setFont(fontOf(px(kHead), QFont::DemiBold));
    p.setPen(t.ink);
    const QRect head(
        room.left(), room.top(), room.width(),
        p.boundingRect(room, Qt::AlignRight | Qt::AlignTop, bells + QStringLiteral(" ")).height());
    p.drawText(head, Qt::AlignRight | Qt::AlignTop, bells);
    p.setPen(t.muted);
    p.drawText(head, Qt::AlignLeft | Qt::AlignTop, onScreen(m_view.title));
    room.setTop(head.bottom() + px(kBetween));
}

void ClassWindow::paintQuestion(QPainter& p, QRect& room) const {
    if (!m_view.question) return;
    write(p, room, onScreen(m_view.question->asks), kQuestion, QFont::DemiBold, theme().ink);
    if (!m_view.question->locked) {
        write(p, room, tr("Make up your mind: the answers are locked before it is done."), kText,
              QFont::Normal, theme().muted);
        return;
    }
    paintAnswers(p, room);
}

/// Bars with their counts, or what numbers came to; how it came out once it is revealed.
void ClassWindow::paintAnswers(QPainter& p, QRect& room) const {
    const Theme& t = theme();
    const QuestionView& q = *m_view.question;
    const int line = px(kText) + px(kBetween);
    p.setFont(fontOf(px(kText)));
    int names = 0;
    for (const auto& count : q.counts)
        names = std::max(names, p.fontMetrics().horizontalAdvance(onScreen(count.says)));
    for (const auto& count : q.counts) {
        if (room.height() < line) return;
        const QRect row(room.left(), room.top(), room.width(), line);
        p.setPen(t.ink);
        p.drawText(row, Qt::AlignLeft | Qt::AlignVCenter, onScreen(count.says));
        const double whole = row.width() - names - 6.0 * px(kBetween);
        const double share = q.answers > 0 ? static_cast<double>(count.votes) / q.answers : 0.0;
        const QRectF bar(row.left() + names + px(kBetween), row.top() + 0.2 * line, share * whole,
                         0.6 * line);
        p.fillRect(bar, t.done);
        p.drawText(QRectF(bar.right() + px(kBetween) / 2.0, row.top(), 5.0 * px(kBetween), line),
                   Qt::AlignLeft | Qt::AlignVCenter, QString::number(count.votes));
        room.setTop(row.bottom() + 1);
    }
    if (q.counts.empty()) write(p, room, onScreen(q.tally), kText, QFont::Normal, t.ink);
    if (!q.result.empty())
        write(p, room, tr("It came out: %1. %2").arg(onScreen(q.result), onScreen(q.verdict)), kText,
              QFont::DemiBold, t.done);
}

void ClassWindow::paintFigures(QPainter& p, QRect& room) const {
    const Theme& t = theme();
    if (m_view.temperature.empty()) {
        write(p, room, tr("Nothing has been read yet."), kText, QFont::Normal, t.muted);
        return;
    }
    const bool figure = !m_view.temperatureUnit.empty();
    write(p, room,
          figure ? QStringLiteral("%1 %2").arg(onScreen(m_view.temperature), onScreen(m_view.temperatureUnit))
                 : onScreen(m_view.temperature),
          figure ? kFigure : kQuestion, QFont::DemiBold, t.ink);
    QStringList under{m_view.kelvin ? inSecondUnit(*m_view.kelvin) : QString(), onScreen(m_view.read),
                      onScreen(m_view.scald)};
    under.removeAll(QString());
    write(p, room, under.join(QStringLiteral(". ")), kSmall, QFont::Normal, t.muted);
    if (!m_view.pressure.empty())
        write(p, room, onScreen(m_view.pressure), kFigure * 3 / 4, QFont::DemiBold, t.ink);
}

void ClassWindow::paintFoot(QPainter& p, QRect& room) const {
    const Theme& t = theme();
    if (m_view.cautions.empty()) return;
    const QString text = QStringLiteral("\u26A0 ") + onScreen(m_view.cautions.front());
    p.setFont(fontOf(px(kSmall), QFont::Medium));
    const int pad = px(kBetween) / 2;
    const QRect needed =
        p.boundingRect(room.adjusted(pad, 0, -pad, 0), Qt::AlignLeft | Qt::TextWordWrap, text);
    QRect box(room.left(), room.bottom() - needed.height() - 2 * pad, room.width(),
              needed.height() + 2 * pad);
    p.setPen(Qt::NoPen);
    p.setBrush(t.cautionGround);
    p.drawRoundedRect(box, 6, 6);
    p.setPen(t.caution);
    p.drawText(box.adjusted(pad, pad, -pad, -pad), Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap, text);
    room.setBottom(box.top() - px(kBetween));
}

/// A picture as it is on the teacher's screen, enlarged: its words are read from the back row.
void ClassWindow::paintPicture(QPainter& p, QWidget* picture, const QRect& where) const {
    if (where.height() < px(kLeastPicture)) return;
    const double scale = std::max(1.0, px(kSmall) / static_cast<double>(theme().text));
    picture->resize((QSizeF(where.size()) / scale).toSize());
    p.save();
    p.translate(where.topLeft());
    p.scale(scale, scale);
    picture->render(&p, QPoint(), QRegion(), QWidget::DrawChildren);
    p.restore();
}

/// What the instruments say, large, and the last minutes of it.
void ClassWindow::paintLive(QPainter& p, QRect room) const {
    const LiveView& view = m_live.view();
    const QString figures =
        QStringList({onScreen(view.temperature), onScreen(view.pressure)}).join(QStringLiteral("   "));
    write(p, room, figures.trimmed(), kFigure, QFont::DemiBold, theme().ink);
    write(p, room, onScreen(view.verdict), kQuestion, QFont::Normal, theme().muted);
    if (m_live.isSimulated())
        write(p, room, tr("Simulated instruments: made up."), kText, QFont::Normal, theme().caution);
    paintPicture(p, m_trace, room);
}

void ClassWindow::paintEvent(QPaintEvent*) {
    const PaintedIn colours(Theme::projector());
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme().ground);
    QRect room = rect().adjusted(px(kAround), px(kAround), -px(kAround), -px(kAround));
    if (showsLive()) return paintLive(p, room);
    if (!m_hand.act()) {
        write(p, room, tr("No demonstration is in hand."), kQuestion, QFont::Normal, theme().muted);
        return;
    }
    paintHead(p, room);
    paintFoot(p, room);
    const int gap = px(kAround);
    // The question and the figures at the left, the pictures at the right.
    QRect left = room, right = room;
    left.setWidth(m_hand.course() ? (room.width() - gap) * 45 / 100 : room.width());
    right.setLeft(left.right() + gap);
    paintQuestion(p, left);
    paintFigures(p, left);
    QRect upper = right, lower = right;
    upper.setHeight((right.height() - gap) * 55 / 100);
    lower.setTop(upper.bottom() + gap);
    if (!m_hand.course()) return;
    paintPicture(p, m_drawing, upper);
    paintPicture(p, m_chart, lower);
}

} // namespace uttrin::app

#include "moc_ClassWindow.cpp"
