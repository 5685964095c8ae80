#include "BenchSheet.h"

#include "ReportParts.h"
#include "quantities/Rounding.h"

namespace uttrin {

Result<Document> benchSheet(const LessonSession& s, const SheetOptions& options) {
    const auto& sheet = s.sheet();
    if (!sheet) return tl::unexpected(sheet.error());
    const Plan& plan = s.plan();
    Document d;
    const std::string& lesson = s.model().lesson().title;
    d.title = Text::tr("Run sheet: {}", Text::data(lesson.empty() ? plan.title : lesson));
    opening(d, s.model().lesson(),
            lesson.empty() || plan.title == lesson
                ? methodText(plan.method)
                : Text::set("{} · {}", Text::data(plan.title), methodText(plan.method)));
    d.blocks.emplace_back(Paragraph{roomSentence(s)});
    d.blocks.emplace_back(Paragraph{sheet->whyLowestFirst});
    Table t{Text::tr("Targets in the order of taking"),
            {Text::set("#"),
             Text::tr("{} shows, {}", Text::data(plan.rig.gauge.name), unitText(plan.rig.gauge)),
             Text::tr("kPa abs.")},
            {},
            {},
            true};
    if (options.boilingPoints)
        t.columns.insert(t.columns.end(),
                         {Text::tr("boils, °C"), Text::tr("K a division"), Text::tr("at depth, K")});
    t.columns.insert(t.columns.end(),
                     {Text::tr("min"), Text::tr("read: gauge"), Text::tr("read: °C"), Text::tr("remarks")});
    for (const Target& target : sheet->targets) {
        const Text remark = target.state == TargetState::AboveRoom        ? Text::tr("above the room")
                            : target.state == TargetState::BelowPumpFloor ? Text::tr("below the pump’s floor")
                            : target.trial                                ? Text::tr("trial point")
                                                                          : Text();
        std::vector<Text> row{Text::set("{}", target.order), tableText(plan.rig.gauge, target.dial),
                              fixed(target.absolute.kilopascal(), 1)};
        if (options.boilingPoints)
            row.insert(row.end(),
                       {Text::set("{} ± {}", fixed(target.boils.celsius(), 1), fixed(target.boilsU, 1)),
                        fixed(target.kelvinPerDivision, 2), fixedSigned(target.depthKelvin, 2)});
        row.insert(row.end(), {fixed(target.seconds / 60.0, 1), Text(), Text(), remark});
        t.rows.push_back(std::move(row));
        t.struck.push_back(target.state != TargetState::Ok);
    }
    d.blocks.emplace_back(std::move(t));
    d.blocks.emplace_back(Paragraph{Text::sentences(
        {Text::tr("About {:.0f} min with setting up and clearing away, of {:.0f} min.",
                  sheet->totalSeconds / 60.0, plan.periodMinutes),
         sheet->fits ? secondRunText(*sheet) : Text::tr("It does not fit: take fewer targets.")})});
    d.blocks.emplace_back(Heading{2, Text::tr("To fetch")});
    d.blocks.emplace_back(BulletList{sheet->materials});
    d.blocks.emplace_back(Heading{2, Text::tr("Cautions")});
    for (const Caution& c : sheet->cautions)
        d.blocks.emplace_back(CautionBox{c.text});
    return d;
}

} // namespace uttrin
