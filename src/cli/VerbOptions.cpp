#include "VerbOptions.h"

#include "Formats.h"

#include <CLI/CLI.hpp>

namespace uttrin::cli {

VerbOptions::Added& VerbOptions::Added::required() {
    m_option->required();
    return *this;
}

VerbOptions::Added& VerbOptions::Added::oneOf(std::initializer_list<const char*> words) {
    m_option->check(CLI::IsMember(std::vector<std::string>(words.begin(), words.end())));
    return *this;
}

VerbOptions::Added& VerbOptions::Added::values(int count) {
    m_option->expected(count);
    return *this;
}

VerbOptions::Added& VerbOptions::Added::showDefault() {
    m_option->capture_default_str();
    return *this;
}

VerbOptions::Added VerbOptions::add(const char* name, std::string& into, const char* description) {
    return Added(m_verb.add_option(name, into, description));
}

VerbOptions::Added VerbOptions::add(const char* name, std::vector<std::string>& into,
                                    const char* description) {
    return Added(m_verb.add_option(name, into, description));
}

VerbOptions::Added VerbOptions::add(const char* name, double& into, const char* description) {
    return Added(m_verb.add_option(name, into, description));
}

VerbOptions::Added VerbOptions::add(const char* name, std::int64_t& into, const char* description) {
    return Added(m_verb.add_option(name, into, description));
}

void VerbOptions::flag(const char* name, bool& into, const char* description) {
    m_verb.add_flag(name, into, description);
}

} // namespace uttrin::cli
