#pragma once

#include <SQLiteCpp/SQLiteCpp.h>

#include <string>
#include <unordered_map>

namespace uttrin {

/// Statements of one connection, prepared once: a capture asks the same two dozen questions as the one
/// before. It goes before its connection does.
class StatementCache {
public:
    /// A statement in use: ready to be bound, and reset when this goes, whatever was thrown meanwhile.
    class Use {
    public:
        explicit Use(SQLite::Statement& statement) : m_statement(statement) {}
        Use(const Use&) = delete;
        Use& operator=(const Use&) = delete;
        ~Use() {
            m_statement.tryReset();
            m_statement.clearBindings(); // pictures are not kept twice
        }
        SQLite::Statement& operator*() { return m_statement; }
        SQLite::Statement* operator->() { return &m_statement; }

    private:
        SQLite::Statement& m_statement;
    };

    explicit StatementCache(SQLite::Database& db) : m_db(db) {}
    [[nodiscard]] Use use(const std::string& sql) {
        const auto known = m_statements.find(sql);
        return Use(known != m_statements.end() ? known->second
                                               : m_statements.try_emplace(sql, m_db, sql).first->second);
    }
    [[nodiscard]] SQLite::Database& database() { return m_db; }

private:
    SQLite::Database& m_db;
    std::unordered_map<std::string, SQLite::Statement> m_statements;
};

} // namespace uttrin
