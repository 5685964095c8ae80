#pragma once

#include "SvgPlot.h"
#include "text/Text.h"

#include <string>
#include <variant>
#include <vector>

namespace uttrin {

/// A report as a list of blocks, for whoever sets it: HTML, PDF.
struct Heading {
    int level = 1;
    Text text;
};
struct Paragraph {
    Text text;
    bool muted = false;
};
struct BulletList {
    std::vector<Text> items;
    int columns = 1; ///< one below the other in each
};
struct Table {
    Text caption;
    std::vector<Text> columns;
    std::vector<std::vector<Text>> rows;
    std::vector<bool> struck;       ///< one a row: shown struck through
    bool wordsInLastColumn = false; ///< the last column is left-aligned and not struck
};
struct Figure {
    Text caption;
    SvgPlot plot;
    double widthMm = 160.0, heightMm = 100.0;
};
struct CautionBox {
    Text text;
};
/// A label that stands out at the top, e.g. that the data are made up.
struct Banner {
    Text text;
};
using Block = std::variant<Heading, Paragraph, BulletList, Table, Figure, CautionBox, Banner>;

struct Document {
    Text title;
    std::vector<Block> blocks;
};

/// A self-contained HTML page (UTF-8, pictures inside), as a face says it.
[[nodiscard]] std::string toHtml(const Document& document, const Wording& wording);

} // namespace uttrin
