#include "Document.h"

#include "quantities/KeptTogether.h"

#include <fmt/format.h>

namespace uttrin {
namespace {

constexpr const char* kStyle = R"css(
body { font-family: Inter, "Helvetica Neue", Arial, sans-serif; font-size: 15px; line-height: 1.5; color: #1D2B36; background: #FFFDF8; max-width: 820px; margin: 32px auto; padding: 0 20px; }
h1 { font-size: 27px; line-height: 1.2; } h2 { font-size: 19px; margin-top: 30px; }
table { border-collapse: collapse; width: 100%; font-variant-numeric: tabular-nums; font-size: 14px; margin: 12px 0; }
caption { text-align: left; color: #5C6871; padding-bottom: 6px; }
th { text-align: right; font-weight: 500; color: #5C6871; border-bottom: 1px solid #1D2B36; padding: 4px 8px; }
td { text-align: right; border-bottom: 1px solid #DDD3BF; padding: 4px 8px; } table.words th:last-child, table.words td:last-child { text-align: left; }
tr.struck td { color: #5C6871; text-decoration: line-through; } table.words tr.struck td:last-child { text-decoration: none; }
figure { margin: 18px 0; } figcaption, .muted { color: #5C6871; font-size: 14px; } svg { width: 100%; height: auto; }
.caution { background: #FFF3D6; color: #7A5200; padding: 8px 12px; border-radius: 6px; margin: 8px 0; }
.banner { border: 2px solid #7A5200; color: #7A5200; font-weight: 600; padding: 6px 12px; border-radius: 6px; }
@media print { body { background: white; margin: 0; } .caution { border: 1px solid #7A5200; } }
)css";

struct HtmlWriter {
    const Wording& wording;
    std::string out;

    [[nodiscard]] std::string said(const Text& text) const { return escaped(text.said(wording)); }

    /// A text of whole lines: numbers keep their units.
    [[nodiscard]] std::string told(const Text& text) const {
        return escaped(keptTogether(text.said(wording)));
    }

    void operator()(const Heading& h) { out += fmt::format("<h{0}>{1}</h{0}>\n", h.level, said(h.text)); }
    void operator()(const Paragraph& p) {
        out += fmt::format("<p{}>{}</p>\n", p.muted ? " class=\"muted\"" : "", told(p.text));
    }
    void operator()(const CautionBox& c) {
        out += fmt::format("<p class=\"caution\">\u26A0 {}</p>\n", told(c.text));
    }
    void operator()(const Banner& b) { out += fmt::format("<p class=\"banner\">{}</p>\n", said(b.text)); }
    void operator()(const BulletList& list) {
        out += list.columns > 1 ? fmt::format("<ul style=\"columns: {}\">\n", list.columns) : "<ul>\n";
        for (const auto& item : list.items)
            out += fmt::format("<li>{}</li>\n", told(item));
        out += "</ul>\n";
    }
    void operator()(const Figure& f) {
        const std::string svg = toSvg(f.plot, wording);
        const auto start = svg.find("<svg");
        out += fmt::format("<figure>\n{}\n<figcaption>{}</figcaption></figure>\n",
                           start == std::string::npos ? "" : svg.substr(start), told(f.caption));
    }
    void operator()(const Table& t) {
        out += fmt::format("<table{}><caption>{}</caption><thead><tr>",
                           t.wordsInLastColumn ? " class=\"words\"" : "", said(t.caption));
        for (const auto& c : t.columns)
            out += fmt::format("<th>{}</th>", said(c));
        out += "</tr></thead><tbody>\n";
        for (std::size_t i = 0; i < t.rows.size(); ++i) {
            out += i < t.struck.size() && t.struck[i] ? "<tr class=\"struck\">" : "<tr>";
            for (const auto& cell : t.rows[i])
                out += fmt::format("<td>{}</td>", said(cell));
            out += "</tr>\n";
        }
        out += "</tbody></table>\n";
    }
};

} // namespace

std::string toHtml(const Document& document, const Wording& wording) {
    HtmlWriter writer{wording, {}};
    for (const Block& block : document.blocks)
        std::visit(writer, block);
    return fmt::format(
        "<!DOCTYPE html>\n<html lang=\"{}\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" "
        "content=\"width=device-width\"><title>{}</title><style>{}</style></head>\n<body>\n{}</body></"
        "html>\n",
        wording.language(), writer.said(document.title), kStyle, writer.out);
}

} // namespace uttrin
