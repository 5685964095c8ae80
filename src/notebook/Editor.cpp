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

} // namespace

RowId Notebook::Editor::insert(const Lesson& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const RoomRecord& r) {
    return insertRecord(m_notebook.m_state->statements, r);
}
RowId Notebook::Editor::insert(const Setup& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Prediction& r) {
    const RowId id = insertRecord(m_notebook.m_state->statements, r);
    if (!r.pascal) return id;
    SQLite::Statement pressure(m_notebook.m_state->db,
                               "INSERT INTO prediction_pressure (id, pressure_pa) VALUES (?, ?)");
    pressure.bind(1, id);
    pressure.bind(2, *r.pascal);
    pressure.exec();
    return id;
}
RowId Notebook::Editor::insert(const Unlocking& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Group& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Run& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const RunRig& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Reading& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const LiquidStart& r) {
    return insertRecord(m_notebook.m_state->statements, r);
}
RowId Notebook::Editor::insert(const ZeroCheck& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Note& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Act& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const PeriodRow& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Stamp& r) { return insertRecord(m_notebook.m_state->statements, r); }
RowId Notebook::Editor::insert(const Picture& r) { return insertRecord(m_notebook.m_state->statements, r); }
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
}

void Notebook::Editor::remove(const Act& r) {
    SQLite::Statement stamps(m_notebook.m_state->db, "DELETE FROM stamp WHERE act_id = ?");
    stamps.bind(1, r.id);
    stamps.exec();
    SQLite::Statement statement(m_notebook.m_state->db, "DELETE FROM act WHERE id = ?");
    statement.bind(1, r.id);
    if (statement.exec() != 1)
        throw NotebookFault(Text::tr("this was taken away in another window meanwhile; nothing was written"));
}

void Notebook::Editor::remove(const Prediction& r) {
    for (const char* table : {"prediction_pressure", "prediction"}) {
        SQLite::Statement statement(m_notebook.m_state->db,
                                    fmt::format("DELETE FROM {} WHERE id = ?", table));
        statement.bind(1, r.id);
        statement.exec();
    }
}

} // namespace uttrin
