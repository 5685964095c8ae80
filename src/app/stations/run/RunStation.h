#pragma once

#include "app/controller/StationPage.h"
#include "lesson/views/StripView.h"
#include "live/LiveProfile.h"
#include "plan/FillTally.h"

#include <QImage>
#include <QTimer>

class QBoxLayout;
class QPushButton;
class QStackedWidget;

namespace uttrin {
struct RunView;
}

namespace uttrin::app {

class BoilingPicture;
class FieldEdit;
class InstrumentPair;
class LiveBench;
class LiveCard;
class SimulatedPanel;
class TraceChart;
class PhaseMap;
class ReadingCard;
class ScrollColumn;
class ActInHand;
class ConductPage;
class Faces;
class Segments;
class RunChoice;
class TakenCard;
class Words;
class TargetCard;

/// At the bench: one target at a time, big; type what the instruments show, one key captures both at the same
/// instant.
class RunStation : public StationPage {
    Q_OBJECT
public:
    /// @param hand  the act that is conducted. @param live  instruments that are listened to. Both outlive
    /// this.
    RunStation(LessonController& controller, ActInHand& hand, LiveBench& live);
    void takeFocus() override;

    /// Whether an act that is going on is shown: then the strip tells of it, not of the lab.
    [[nodiscard]] bool showsAct() const;
    /// Whether acts are shown, not the lab: they have a tape of their own.
    [[nodiscard]] bool isOnActs() const;

signals:
    /// The bench strip over the act in hand.
    void stripChanged(const uttrin::StripView& view);
    void faceChanged();
    void listenRequested();
    void traceRequested();
    void pictureRequested(RowId readingId); ///< of a point that was read from one, or has one
    void benchPictureRequested(const uttrin::BenchPicture& picture);

public slots:
    void capture();
    void confirmBracket();
    void askNote();
    void setVigour(int vigour);
    void startRunFor(const QString& group);
    void strikeSelected();
    void retakeSelected();

protected:
    void refresh() override;
    void refreshDraft() override;
    void showEvent(QShowEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QWidget* buildRuns();
    QWidget* buildBench();
    void wire();
    void wireLive();
    void showFlash();
    void showLive();
    void placeTrace();
    /// A picture's file, and when that was written.
    struct ChosenPicture {
        std::vector<std::byte> file;
        Milliseconds fileMs = 0;
    };
    [[nodiscard]] std::optional<ChosenPicture> askPicture(const QString& title);
    void wirePictures();
    void attachPicture();
    void showBoiling(const RunView& view);
    void placeBoiling();
    void offerKnown();
    void listenAgain();
    void rememberWay(const LiveProfile& profile, const std::string& place);
    void fill(const Filling& filling);
    void askFilling(Filling::What what);
    void takeGaugeAsHeard();
    void takeDraft();
    void showInstruments();
    void settle(bool keepOdd);
    void checkZero();
    void stampStart();

    ActInHand& m_hand;
    LiveBench& m_live;
    LiveCard* m_liveCard;
    SimulatedPanel* m_simulated;
    TraceChart *m_trace, *m_traceAlone; ///< under the map; in its place, where the window is low
    Faces* m_faces;                     ///< the bench of the lab, or an act that is conducted
    Segments* m_toActs;
    ConductPage* m_conduct;
    PhaseMap* m_map;
    InstrumentPair* m_pair;
    QStackedWidget* m_beside; ///< the map, or the instruments
    Segments* m_shown;
    QBoxLayout* m_below; ///< the caution and what is shown
    ScrollColumn* m_right;
    RunChoice* m_run;
    FieldEdit* m_newGroup;
    QPushButton* m_start;
    TargetCard* m_target;
    TakenCard* m_taken;
    BoilingPicture* m_boiling;
    std::optional<RowId> m_boilingShown; ///< the notebook's picture that is decoded
    QImage m_boilingImage;
    int m_moves = 0;  ///< of what is listened to
    QTimer m_minutes; ///< while the pump warms up
    Words* m_caution;
    ReadingCard* m_reading;
};

} // namespace uttrin::app
