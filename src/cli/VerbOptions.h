#pragma once

#include <cstdint>
#include <initializer_list>
#include <string>
#include <vector>

namespace CLI {
class App;
class Option;
} // namespace CLI

namespace uttrin::cli {

/// The options of one verb, as its job asks for them. What is given on the command line is written into the
/// variables before the job runs; they outlive the parsing.
class VerbOptions {
public:
    /// An option that was added, to say more of it.
    class Added {
    public:
        Added& required();
        Added& oneOf(std::initializer_list<const char*> words);
        Added& values(int count); ///< takes so many
        Added& showDefault();     ///< in the help

    private:
        friend class VerbOptions;
        explicit Added(CLI::Option* option) : m_option(option) {}
        CLI::Option* m_option;
    };

    explicit VerbOptions(CLI::App& verb) : m_verb(verb) {}

    /// @param name  "--room", or "file" for a word without a name.
    Added add(const char* name, std::string& into, const char* description);
    Added add(const char* name, std::vector<std::string>& into, const char* description);
    Added add(const char* name, double& into, const char* description);
    Added add(const char* name, std::int64_t& into, const char* description);
    void flag(const char* name, bool& into, const char* description);

private:
    CLI::App& m_verb;
};

} // namespace uttrin::cli
