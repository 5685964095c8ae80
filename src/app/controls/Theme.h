#pragma once

#include <QColor>
#include <QFont>
#include <QString>

namespace uttrin::app {

/// The look: every colour and size that a widget may use.
struct Theme {
    QString name;
    QColor ground, card, hairline, ink, muted;
    QColor edge;                         ///< of fields, buttons and boxes: seen against card and ground, 3:1
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
    int tick = 12;                                                    ///< px, the smallest: numbers at scales
    double factor = 1.0;                                              ///< by which a person enlarged all text
    bool dark = false;
    bool large = false; ///< to be read from the back row: fewer things, larger

    static Theme paper();     ///< warm and light
    static Theme night();     ///< dark, of normal size
    static Theme projector(); ///< dark and large, to be read from the back row
    static Theme contrast();  ///< black on white, without tints where text stands
    /// The same with all text so much larger. @param percent  within 90 and 200.
    [[nodiscard]] Theme at(int percent) const;
    friend bool operator==(const Theme&, const Theme&) = default;
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

/// A length that goes with the text, px: as it is at 100 %.
[[nodiscard]] int scaled(int px);

/// The height of a line of the smallest text, px.
[[nodiscard]] int tickLine();
/// Height of a line of text of this size, px.
[[nodiscard]] int lineOf(int px);

/// The shipped font at a size in px. REQUIRES: loadFonts was called.
[[nodiscard]] QFont fontOf(int px, QFont::Weight weight = QFont::Normal);

} // namespace uttrin::app
