#pragma once

#include <string>
#include <variant>
#include <vector>

namespace uttrin {

/// A report as a list of blocks, for whoever sets it: HTML, PDF.
struct Heading {
    int level = 1;
    std::string text;
};
struct Paragraph {
    std::string text;
    bool muted = false;
};
struct BulletList {
    std::vector<std::string> items;
};
struct Table {
    std::string caption;
    std::vector<std::string> columns;
    std::vector<std::vector<std::string>> rows;
    std::vector<bool> struck;       ///< one a row: shown struck through
    bool wordsInLastColumn = false; ///< the last column is left-aligned and not struck
};
struct Figure {
    std::string caption;
    std::string svg; ///< SVG Tiny 1.2, no scripts, no outside references
    double widthMm = 160.0, heightMm = 100.0;
};
struct CautionBox {
    std::string text;
};
/// A label that stands out at the top, e.g. that the data are made up.
struct Banner {
    std::string text;
};
using Block = std::variant<Heading, Paragraph, BulletList, Table, Figure, CautionBox, Banner>;

struct Document {
    std::string title;
    std::vector<Block> blocks;
};

/// A self-contained HTML page (UTF-8, pictures inside).
[[nodiscard]] std::string toHtml(const Document& document);

/// Text with the characters that HTML and SVG reserve written as entities.
[[nodiscard]] std::string escaped(const std::string& text);

} // namespace uttrin
