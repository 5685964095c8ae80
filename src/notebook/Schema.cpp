#include "Schema.h"

#include <fmt/format.h>

#include <map>
#include <string>

namespace uttrin {
namespace {

/// What the tables of a file are: their statements by name, white space evened out.
std::map<std::string, std::string> tablesOf(SQLite::Database& db) {
    std::map<std::string, std::string> tables;
    SQLite::Statement all(
        db, "SELECT name, sql FROM sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite\\_%' "
            "ESCAPE '\\'");
    while (all.executeStep()) {
        std::string evened;
        for (const char c : all.getColumn(1).getString()) {
            const bool space = c == ' ' || c == '\n' || c == '\t' || c == '\r';
            if (!space)
                evened += c;
            else if (!evened.empty() && evened.back() != ' ')
                evened += ' ';
        }
        tables[all.getColumn(0).getString()] = evened;
    }
    return tables;
}

void build(SQLite::Database& db, int version) {
    db.exec(kSchema);
    if (version >= kFirstVersionWithPhotos) db.exec(kPhotoTables);
    if (version >= kFirstVersionWithRunRigs) db.exec(kRunRigTable);
    if (version >= kFirstVersionWithPredictionPressures) db.exec(kPredictionPressureTables);
    if (version >= kFirstVersionWithLiquidStarts) db.exec(kLiquidStartTable);
    if (version >= kFirstVersionWithActs) db.exec(kActTable);
    if (version >= kFirstVersionWithQuestions) db.exec(kQuestionTables);
    if (version >= kFirstVersionWithSupplies) db.exec(kSuppliesTable);
    if (version >= kFirstVersionWithLive) db.exec(kLiveTables);
    if (version >= kFirstVersionWithBenchPictures) db.exec(kBenchPictureTable);
    if (version >= kFirstVersionWithInstruments) db.exec(kInstrumentTable);
    db.exec(fmt::format("PRAGMA application_id = {}; PRAGMA user_version = {}", kApplicationId, version));
}

} // namespace

void createSchema(SQLite::Database& db) {
    SQLite::Transaction transaction(db);
    build(db, kSchemaVersion);
    transaction.commit();
}

void upgradeSchema(SQLite::Database& db, int from) {
    SQLite::Transaction transaction(db);
    if (from < kFirstVersionWithPhotos) db.exec(kPhotoTables);
    if (from < kFirstVersionWithRunRigs) {
        db.exec(kRunRigTable);
        db.exec(kRigsOfOldRuns);
    }
    if (from < kFirstVersionWithPredictionPressures) db.exec(kPredictionPressureTables);
    if (from < kFirstVersionWithLiquidStarts) db.exec(kLiquidStartTable);
    if (from < kFirstVersionWithActs) db.exec(kActTable);
    if (from < kFirstVersionWithQuestions) db.exec(kQuestionTables);
    if (from < kFirstVersionWithSupplies) db.exec(kSuppliesTable);
    if (from < kFirstVersionWithLive) db.exec(kLiveTables);
    if (from < kFirstVersionWithBenchPictures) db.exec(kBenchPictureTable);
    if (from < kFirstVersionWithInstruments) db.exec(kInstrumentTable);
    db.exec(fmt::format("PRAGMA user_version = {}", kSchemaVersion));
    transaction.commit();
}

Text schemaTrouble(SQLite::Database& db, int version) {
    SQLite::Database reference(":memory:", SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
    build(reference, version);
    const auto wanted = tablesOf(reference), found = tablesOf(db);
    for (const auto& [name, sql] : wanted) {
        const auto same = found.find(name);
        if (same == found.end()) return Text::tr("its table '{}' is missing", name);
        if (same->second != sql) return Text::tr("its table '{}' is not as it should be", name);
    }
    for (const auto& [name, sql] : found)
        if (!wanted.contains(name)) return Text::tr("it holds a table '{}' that is not Uttrin’s", name);
    return {};
}

} // namespace uttrin
