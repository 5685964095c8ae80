#include "NotebookState.h"
#include "RowAccess.h"

#include <fmt/format.h>

namespace uttrin {
namespace {

template <typename Record>
RowId insertRecord(StatementCache& statements, const Record& record) {
    {
        auto statement = statements.use(tables::insertSql<Record>());
        tables::bindRecord(*statement, record);
        if (statement->exec() != 1)
            throw NotebookFault(Text::tr("a row was not stored; nothing was changed"));
    }
    const RowId id = statements.database().getLastInsertRowid();
    const auto stored = tables::select<Record>(statements, "WHERE id = ?", id);
    bool same = stored.size() == 1;
    if (same)
        tables::eachColumn(record, stored.front(),
                           [&](std::string_view, const auto& a, const auto& b) { same = same && a == b; });
    if (!same)
        throw NotebookFault(Text::tr("what was stored is not what was to be stored; nothing was changed"));
    return id;
}

template <typename Record>
void updateRecord(SQLite::Database& db, const Record& before, const Record& after) {
    std::string sets, asBefore;
    tables::eachColumn(before, after, [&](std::string_view column, const auto& old, const auto& now) {
        if (old == now) return;
        sets += fmt::format("{}{} = ?", sets.empty() ? "" : ", ", column);
        asBefore += fmt::format(" AND {} IS ?", column);
    });
    if (sets.empty()) return;
    SQLite::Statement statement(
        db, fmt::format("UPDATE {} SET {} WHERE id = ?{}", tables::Table<Record>::name, sets, asBefore));
    int index = 0;
    tables::eachColumn(before, after, [&](std::string_view, const auto& old, const auto& now) {
        if (!(old == now)) tables::bindValue(statement, ++index, now);
    });
    tables::bindValue(statement, ++index, before.id);
    tables::eachColumn(before, after, [&](std::string_view, const auto& old, const auto& now) {
        if (!(old == now)) tables::bindValue(statement, ++index, old);
    });
    if (statement.exec() != 1)
        throw NotebookFault(
            Text::tr("this was changed or taken away in another window meanwhile. Nothing was written; "
                     "look at it as it is now and do it again"));
}

void removeRow(SQLite::Database& db, const char* table, RowId id) {
    SQLite::Statement statement(db, fmt::format("DELETE FROM {} WHERE id = ?", table));
    statement.bind(1, id);
    if (statement.exec() != 1)
        throw NotebookFault(Text::tr("this was taken away in another window meanwhile; nothing was written"));
}

/// A period of which nothing is known has no row.
void keepSupplies(SQLite::Database& db, RowId id, const PeriodRow& r) {
    SQLite::Statement old(db, "DELETE FROM period_supplies WHERE id = ?");
    old.bind(1, id);
    old.exec();
    if (!r.people && !r.iceG) return;
    tables::insertWithId(db, PeriodSupplies{id, r.people, r.iceG});
}

} // namespace

RowId Notebook::Editor::insert(const Lesson& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const RoomRecord& r) {
    return insertRecord(m_notebook.m_state->statements, r);
}
RowId Notebook::Editor::insert(const Setup& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Prediction& r) {
    const RowId id = insertRecord(m_notebook.m_state->statements, r);
    if (r.pascal) tables::insertWithId(m_notebook.m_state->db, PredictionPressure{id, *r.pascal});
    return id;
}
RowId Notebook::Editor::insert(const Unlocking& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Group& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Run& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const RunRig& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Reading& r) {
    const RowId id = insertRecord(m_notebook.m_state->statements, r);
    if (!r.readOrder.empty() || r.heaterSetting)
        tables::insertWithId(m_notebook.m_state->db, ReadingWay{id, r.readOrder, r.heaterSetting});
    if (r.live) {
        LiveCapture live = *r.live;
        live.id = id;
        tables::insertWithId(m_notebook.m_state->db, live);
    }
    return id;
}
RowId Notebook::Editor::insert(const LiveStream& r) {
    return insertRecord(m_notebook.m_state->statements, r);
}
RowId Notebook::Editor::insert(const LiveChunk& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const RigTest& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const LiquidStart& r) {
    return insertRecord(m_notebook.m_state->statements, r);
}
RowId Notebook::Editor::insert(const ZeroCheck& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Note& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Act& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const PeriodRow& r) {
    const RowId id = insertRecord(m_notebook.m_state->statements, r);
    keepSupplies(m_notebook.m_state->db, id, r);
    return id;
}
RowId Notebook::Editor::insert(const Stamp& r) {
    const RowId id = insertRecord(m_notebook.m_state->statements, r);
    if (r.groupId) tables::insertWithId(m_notebook.m_state->db, StampGroup{id, *r.groupId});
    if (r.bound != StampBound::None || !r.instrument.empty())
        tables::insertWithId(m_notebook.m_state->db, StampReading{id, r.bound, r.instrument});
    return id;
}
RowId Notebook::Editor::insert(const Question& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Answer& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const BellRow& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Picture& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const BenchPicture& r) {
    return insertRecord(m_notebook.m_state->statements, r);
}
RowId Notebook::Editor::insert(const Photo& r) { return insertRecord(m_notebook.m_state->statements, r); }
void Notebook::Editor::update(const Lesson& before, const Lesson& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const RoomRecord& before, const RoomRecord& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const Setup& before, const Setup& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const Run& before, const Run& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const Reading& before, const Reading& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const Act& before, const Act& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const PeriodRow& before, const PeriodRow& after) {
    updateRecord(m_notebook.m_state->db, before, after);
    if (before.people != after.people || before.iceG != after.iceG)
        keepSupplies(m_notebook.m_state->db, after.id, after);
}

void Notebook::Editor::update(const Question& before, const Question& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const Answer& before, const Answer& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}
void Notebook::Editor::update(const BellRow& before, const BellRow& after) {
    updateRecord(m_notebook.m_state->db, before, after);
}

void Notebook::Editor::remove(const Act& r) {
    for (const char* of :
         {"stamp_reading WHERE id IN (SELECT id FROM stamp WHERE act_id = ?)",
          "stamp_group WHERE id IN (SELECT id FROM stamp WHERE act_id = ?)", "stamp WHERE act_id = ?",
          "answer WHERE question_id IN (SELECT id FROM question WHERE act_id = ?)",
          "question WHERE act_id = ?", "bell WHERE act_id = ?"}) {
        SQLite::Statement statement(m_notebook.m_state->db, fmt::format("DELETE FROM {}", of));
        statement.bind(1, r.id);
        statement.exec();
    }
    removeRow(m_notebook.m_state->db, "act", r.id);
}
void Notebook::Editor::remove(const RigTest& r) { removeRow(m_notebook.m_state->db, "rig_test", r.id); }
void Notebook::Editor::remove(const Answer& r) { removeRow(m_notebook.m_state->db, "answer", r.id); }

void Notebook::Editor::remove(const Prediction& r) {
    for (const char* table : {"prediction_pressure", "prediction"}) {
        SQLite::Statement statement(m_notebook.m_state->db,
                                    fmt::format("DELETE FROM {} WHERE id = ?", table));
        statement.bind(1, r.id);
        statement.exec();
    }
}

} // namespace uttrin
