#pragma once

#include "LiveBench.h"
#include "app/controller/ToolWindow.h"

class QComboBox;
class QPushButton;

namespace uttrin::app {

class FieldEdit;
class InstrumentPair;
class LineAnatomy;
class NumberField;
class Segments;
class Words;

/// Where an instrument is heard and what its figures mean: it shows what arrives, one clicks the number,
/// names its unit, and sees it on the drawn instruments of the rig.
class ListenDialog : public ToolWindow {
    Q_OBJECT
public:
    /// @param bench  outlives this.
    ListenDialog(LessonController& controller, LiveBench& bench, QWidget* parent = nullptr);

protected:
    void refresh() override;
    void hideEvent(QHideEvent* event) override;

private:
    QWidget* buildPlace();
    QWidget* buildMeaning();
    void buildActions();
    void fillProfiles();
    void choosePlace(int kind);
    void chooseProfile();
    void lookAt();
    void arrived(const QString& line);
    void pickNumber(int number);
    [[nodiscard]] const Unit* writtenUnit() const;
    void takeMeaning();
    void showMeaning();
    void showReadings();
    void keepProfile();
    void listen();
    [[nodiscard]] Result<Endpoint> endpoint() const;
    [[nodiscard]] LiveProfile profile() const;

    LiveBench& m_bench;
    Segments* m_kind;
    QComboBox *m_port, *m_speed, *m_frame, *m_profiles, *m_decimal;
    FieldEdit *m_address, *m_poll, *m_name;
    QPushButton *m_browse, *m_look, *m_keep, *m_listen;
    QWidget *m_serialBox, *m_addressBox, *m_lineBox, *m_registerBox;
    Words *m_state, *m_says, *m_numberIs;
    LineAnatomy* m_line;
    QComboBox *m_quantity, *m_unit, *m_type;
    NumberField *m_register, *m_station;
    InstrumentPair* m_pair;
    std::unique_ptr<LiveSource> m_source; ///< what is looked at before it is taken
    LiveProfile m_profile;
    std::vector<LiveProfile> m_offered; ///< by the place in the list
    QString m_lastLine;
    int m_number = 1; ///< that is being explained
    Trace m_last;     ///< what came last
};

} // namespace uttrin::app
