#include "BarometerScales.h"

namespace uttrin {

MercuryReading barometerGraduatedIn(std::string_view unit) {
    MercuryReading m;
    m.unit = std::string(unit);
    m.mainDivision = unit == "inHg" ? 0.05 : unit == "cmHg" ? 0.1 : 1.0;
    m.vernierDivisions = unit == "inHg" ? 25 : 10;
    return m;
}

} // namespace uttrin
