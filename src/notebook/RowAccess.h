#pragma once

#include "NotebookFault.h"
#include "StatementCache.h"
#include "Tables.h"

#include <SQLiteCpp/SQLiteCpp.h>

#include <optional>
#include <string>
#include <type_traits>
#include <vector>

namespace uttrin::tables {

template <typename T>
struct IsOptional : std::false_type {};
template <typename T>
struct IsOptional<std::optional<T>> : std::true_type {};

template <typename T>
void bindValue(SQLite::Statement& statement, int index, const T& value) {
    if constexpr (IsOptional<T>::value) {
        if (value)
            bindValue(statement, index, *value);
        else
            statement.bind(index);
    } else if constexpr (std::is_enum_v<T>) {
        statement.bind(index, std::string(identifier(value)));
    } else if constexpr (std::is_same_v<T, bool>) {
        statement.bind(index, value ? 1 : 0);
    } else if constexpr (std::is_same_v<T, std::vector<std::byte>>) {
        statement.bind(index, value.data(), static_cast<int>(value.size()));
    } else if constexpr (std::is_same_v<T, RowId>) {
        statement.bind(index, static_cast<std::int64_t>(value));
    } else {
        statement.bind(index, value);
    }
}

template <typename T>
void readValue(const SQLite::Column& column, T& into) {
    if constexpr (IsOptional<T>::value) {
        into.reset();
        if (!column.isNull()) readValue(column, into.emplace());
    } else if constexpr (std::is_enum_v<T>) {
        const auto value = valueOf<T>(column.getString());
        if (!value) throw NotebookFault(Text::tr("a row is damaged: {}", value.error().message));
        into = *value;
    } else if constexpr (std::is_same_v<T, bool>) {
        into = column.getInt() != 0;
    } else if constexpr (std::is_same_v<T, std::vector<std::byte>>) {
        const auto* bytes = static_cast<const std::byte*>(column.getBlob());
        into.assign(bytes, bytes + column.getBytes());
    } else if constexpr (std::is_same_v<T, int>) {
        into = column.getInt();
    } else if constexpr (std::is_same_v<T, RowId>) {
        into = column.getInt64();
    } else if constexpr (std::is_same_v<T, double>) {
        into = column.getDouble();
    } else {
        into = column.getString();
    }
}

/// Binds all fields of a record but its id.
template <typename Record>
void bindRecord(SQLite::Statement& statement, const Record& record) {
    std::apply(
        [&](const RowId&, const auto&... field) {
            int index = 0;
            (bindValue(statement, ++index, field), ...);
        },
        Table<Record>::fields(record));
}

/// Inserts a record under the id that it has: one that tells more of another, or that is copied.
template <typename Record>
void insertWithId(SQLite::Database& db, const Record& record) {
    SQLite::Statement insert(db, insertWithIdSql<Record>());
    std::apply(
        [&](const auto&... field) {
            int index = 0;
            (bindValue(insert, ++index, field), ...);
        },
        Table<Record>::fields(record));
    insert.exec();
}

/// Calls `use` with each column's name and with the two records' values in it, the id left out.
template <typename Record, typename Use>
void eachColumn(const Record& before, const Record& after, Use use) {
    const auto a = Table<Record>::fields(before), b = Table<Record>::fields(after);
    [&]<std::size_t... I>(std::index_sequence<I...>) {
        (use(Table<Record>::columns[I + 1], std::get<I + 1>(a), std::get<I + 1>(b)), ...);
    }
    (std::make_index_sequence<std::tuple_size_v<decltype(a)> - 1>{});
}

template <typename Record>
Record readRecord(SQLite::Statement& statement) {
    Record record;
    std::apply(
        [&](auto&... field) {
            int index = 0;
            (readValue(statement.getColumn(index++), field), ...);
        },
        Table<Record>::fields(record));
    return record;
}

/// All rows that a selection gives. @param rest  "WHERE … ORDER BY …" with at most one '?' for `key`.
template <typename Record>
std::vector<Record> select(StatementCache& statements, std::string_view rest,
                           std::optional<RowId> key = std::nullopt) {
    auto statement = statements.use(selectSql<Record>(rest));
    if (key) bindValue(*statement, 1, *key);
    std::vector<Record> rows;
    while (statement->executeStep())
        rows.push_back(readRecord<Record>(*statement));
    return rows;
}

} // namespace uttrin::tables
