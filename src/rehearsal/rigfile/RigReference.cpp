#include "RigReference.h"

#include "json/JsonReader.h"

#include <string>
#include <utility>

namespace uttrin {
namespace {

struct NamedReference {
    RigReference reference;
    std::string_view suffix;
    Phrase phrase;
};
constexpr NamedReference kReferenceWords[] = {
    {RigReference::BelowBoiling, " below boiling", Text::phrase("below boiling")},
    {RigReference::AboveBoiling, " above boiling", Text::phrase("above boiling")},
    {RigReference::BelowRoom, " below the room", Text::phrase("below the room")},
    {RigReference::AboveRoom, " above the room", Text::phrase("above the room")},
    {RigReference::OverRoom, " over the room", Text::phrase("over the room")},
    {RigReference::UnderRoom, " under the room", Text::phrase("under the room")},
    {RigReference::OfRoom, " of the room", Text::phrase("of the room")},
    {RigReference::OfSaturation, " of saturation", Text::phrase("of saturation")}};

/// A referred value, or why it lies outside.
Result<double> bounded(double value, double low, double high, std::string_view text, std::string_view unit) {
    if (value >= low && value <= high) return value;
    return fail(Failure::OutOfRange,
                Text::tr("'{}' comes to {:.5g} {} in this room; accepted: {:.5g} to {:.5g} {}", text, value,
                         unit, low, high, unit));
}

} // namespace

ReferredText splitReference(std::string_view text) {
    for (const NamedReference& named : kReferenceWords)
        if (text.ends_with(named.suffix))
            return {text.substr(0, text.size() - named.suffix.size()), named.reference};
    return {text, RigReference::None};
}

std::string_view suffixOf(RigReference reference) {
    for (const NamedReference& named : kReferenceWords)
        if (named.reference == reference) return named.suffix;
    return {};
}

Text phraseOf(RigReference reference) {
    for (const NamedReference& named : kReferenceWords)
        if (named.reference == reference) return named.phrase;
    return {};
}

Result<double> referredKelvin(std::string_view text, const ReferencePoints& points, double low, double high) {
    const ReferredText parts = splitReference(text);
    const std::string_view amount = parts.amount; // no binding: clang 14 takes none along
    const RigReference reference = parts.reference;
    const auto from = [&](double start, double sign) {
        return parseTemperatureDifference(amount).and_then([&](TemperatureDifference d) {
            return bounded(start + sign * d.kelvin(), low, high, text, "K");
        });
    };
    switch (reference) {
    case RigReference::None:
        return measureWithin(text, Dimension::Temperature, low, high);
    case RigReference::BelowBoiling:
        return from(points.boilingKelvin, -1.0);
    case RigReference::AboveBoiling:
        return from(points.boilingKelvin, 1.0);
    case RigReference::BelowRoom:
        return from(points.roomKelvin, -1.0);
    case RigReference::AboveRoom:
        return from(points.roomKelvin, 1.0);
    default:
        return fail(Failure::BadInput,
                    Text::tr("'{}' is no temperature; accepted: \"VALUE UNIT\", or \"VALUE K\" below "
                             "or above boiling or the room",
                             text));
    }
}

Result<double> referredPascal(std::string_view text, const ReferencePoints& points, double low, double high) {
    const ReferredText parts = splitReference(text);
    const std::string_view amount = parts.amount; // no binding: clang 14 takes none along
    const RigReference reference = parts.reference;
    const auto from = [&](double sign) {
        return measureWithin(amount, Dimension::Pressure, 0.0, JsonReader::kAny).and_then([&](double pascal) {
            return bounded(points.roomPascal + sign * pascal, low, high, text, "Pa");
        });
    };
    const auto share = [&](double of) {
        return measureWithin(amount, Dimension::Fraction, 0.0, 10.0).and_then([&](double part) {
            return bounded(part * of, low, high, text, "Pa");
        });
    };
    switch (reference) {
    case RigReference::None:
        return measureWithin(text, Dimension::Pressure, low, high);
    case RigReference::OverRoom:
        return from(1.0);
    case RigReference::UnderRoom:
        return from(-1.0);
    case RigReference::OfRoom:
        return share(points.roomPascal);
    case RigReference::OfSaturation:
        return share(points.saturationPascal);
    default:
        return fail(Failure::BadInput,
                    Text::tr("'{}' is no pressure; accepted: \"VALUE UNIT\", that over or under the "
                             "room, or a share in % of the room or of saturation",
                             text));
    }
}

} // namespace uttrin
