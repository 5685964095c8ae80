#pragma once

#include <QColor>
#include <QFont>
#include <QString>

namespace uttrin::app {

/// The look: every colour and size that a widget may use.
struct Theme {
    QString name;
    QColor paper, card, hairline, ink, muted;
    QColor liquid, vapour, ice;          ///< tints of the phases, the same everywhere
    QColor done;                         ///< what is done or set by the person
    QColor hot, hotTint;                 ///< boiling, and nothing else
    QColor caution, cautionGround;       ///< safety and what is missing, and nothing else
    QColor focus;                        ///< the ring around what has the keyboard
    QColor navigation, action, onAction; ///< ground of the navigation column; main action and the text on it
    QColor onPhoto{0x0B, 0x53, 0x5E}, sightOnPhoto{0xB3, 0x1B, 0x5E}; ///< marks on a photograph, in any theme
    int live = 30;                                                    ///< px, figures of the strip
    int figure = 30;                                                  ///< px, the one big figure of a card
    int title = 20, text = 15, small = 13;                            ///< px
    bool large = false; ///< to be read from the back row: fewer things, larger

    static Theme light();
    static Theme projector(); ///< dark and large, to be read from the back row
};

/// The theme in use.
[[nodiscard]] const Theme& theme();

/// Makes a theme the one in use: palette, style sheet, default font of the application.
void applyTheme(const Theme& theme);

/// Draws in another theme while it lives: colours and sizes of what is painted, not the application's style.
class PaintedIn {
public:
    explicit PaintedIn(const Theme& theme);
    PaintedIn(const PaintedIn&) = delete;
    PaintedIn& operator=(const PaintedIn&) = delete;
    ~PaintedIn();

private:
    Theme m_before;
};

/// The shipped font at a size in px. REQUIRES: loadFonts was called.
[[nodiscard]] QFont fontOf(int px, QFont::Weight weight = QFont::Normal);

} // namespace uttrin::app
