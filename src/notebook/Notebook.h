#pragma once

#include "Records.h"
#include "quantities/Failure.h"

#include <cstddef>
#include <filesystem>
#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace uttrin {

/// The one file that keeps lessons, rooms, plans, runs and readings (SQLite, extension .uttrin). Every change
/// is committed durably (fsync) before the call that made it returns, and can be undone. Whatever the disk,
/// the file or another program does is a Failure of kind Storage with a sentence that says what to do; after
/// it the notebook can be used on. Triggers and views that a file holds are never run. Not thread-safe; one
/// Notebook a thread.
class Notebook {
public:
    /// A new, empty notebook. Fails with Storage if a file is there already or the place cannot be written.
    [[nodiscard]] static Result<Notebook> create(const std::filesystem::path& path);

    /// An existing notebook, each of its tables and columns looked at. A file that is read-only, that a newer
    /// version wrote, or that is open in another window already opens for reading only (see `notice`). A file
    /// that is not a notebook, or is damaged, fails with Storage and is left untouched.
    [[nodiscard]] static Result<Notebook> open(const std::filesystem::path& path);

    /// The same for reading only, whether or not it could be written: nothing of the file is changed.
    [[nodiscard]] static Result<Notebook> openToRead(const std::filesystem::path& path);

    /// Copies whatever rows of a damaged notebook can still be read into a new one at `to`, and opens that to
    /// see that it is sound. What belongs to nothing that was saved is kept under a lesson, a plan or a group
    /// called 'found'.
    /// @return how many readings were saved. The damaged file is left untouched.
    [[nodiscard]] static Result<int> salvage(const std::filesystem::path& damaged,
                                             const std::filesystem::path& to);

    Notebook(Notebook&&) noexcept;
    Notebook& operator=(Notebook&&) noexcept;
    ~Notebook();

    [[nodiscard]] const std::filesystem::path& path() const;
    [[nodiscard]] bool readOnly() const;
    /// Whether the path still leads to the file that was opened.
    [[nodiscard]] bool isStillThere() const;
    /// What a person should know about how this notebook was opened; empty normally.
    [[nodiscard]] const Text& notice() const;

    [[nodiscard]] Result<std::vector<Lesson>> lessons() const;
    /// Everything of one lesson.
    [[nodiscard]] Result<LessonData> load(RowId lessonId) const;
    /// The bytes of a picture as they were brought in; empty if there is none of this id.
    [[nodiscard]] Result<std::vector<std::byte>> picture(RowId id) const;
    /// What arrived of a stream, by time.
    [[nodiscard]] Result<std::vector<LiveChunk>> chunks(RowId streamId) const;
    [[nodiscard]] Result<int> count(const std::string& table) const;

    /// Writes rows inside one `perform`. Insert gives the new row's id, and reads the row back. Update writes
    /// what differs between the two, and refuses a row in which that was changed meanwhile.
    class Editor {
    public:
        RowId insert(const Lesson&);
        RowId insert(const RoomRecord&);
        RowId insert(const Setup&);
        RowId insert(const Prediction&);
        RowId insert(const Unlocking&);
        RowId insert(const Group&);
        RowId insert(const Run&);
        RowId insert(const RunRig&);
        RowId insert(const Reading&);
        RowId insert(const ZeroCheck&);
        RowId insert(const LiquidStart&);
        RowId insert(const Note&);
        RowId insert(const Act&);
        RowId insert(const PeriodRow&);
        RowId insert(const Stamp&);
        RowId insert(const Question&);
        RowId insert(const Answer&);
        RowId insert(const BellRow&);
        RowId insert(const LiveStream&);
        RowId insert(const LiveChunk&);
        RowId insert(const RigTest&);
        RowId insert(const Picture&);
        RowId insert(const BenchPicture&);
        RowId insert(const Photo&);
        void update(const Lesson& before, const Lesson& after);
        void update(const RoomRecord& before, const RoomRecord& after);
        void update(const Setup& before, const Setup& after);
        void update(const Run& before, const Run& after);
        void update(const Reading& before, const Reading& after);
        void update(const Act& before, const Act& after);
        void update(const PeriodRow& before, const PeriodRow& after);
        void update(const Question& before, const Question& after);
        void update(const Answer& before, const Answer& after);
        void update(const BellRow& before, const BellRow& after);
        void remove(const Prediction&);
        void remove(const Act&); ///< with its stamps, its questions and their answers, its bells
        void remove(const Answer&);
        void remove(const RigTest&);

    private:
        friend class Notebook;
        explicit Editor(Notebook& notebook) : m_notebook(notebook) {}
        Notebook& m_notebook;
    };

    /// Makes one change that can be undone as a whole. On return it is on disk; where it fails, nothing is
    /// changed.
    /// @param label  what was done, for the Undo menu: "Strike point 4".
    [[nodiscard]] Result<void> perform(const Text& label, const std::function<void(Editor&)>& change);

    /// Begins a stream. @return its id. It is nothing that undo takes back, like what arrives of it.
    [[nodiscard]] Result<RowId> openStream(const LiveStream& stream);
    /// Keeps what is known of an instrument, in the place of what the row of this id had; id 0: a new one. On
    /// disk when it returns, and nothing that undo takes back.
    [[nodiscard]] Result<void> keepInstrument(const InstrumentRow& instrument);
    /// Adds what arrived of streams: on disk when it returns, and nothing that undo takes back. The ids of
    /// the chunks do not count.
    [[nodiscard]] Result<void> append(const std::vector<LiveChunk>& chunks);

    [[nodiscard]] bool canUndo() const;
    [[nodiscard]] bool canRedo() const;
    [[nodiscard]] Text undoLabel() const;
    [[nodiscard]] Text redoLabel() const;
    [[nodiscard]] Result<void> undo();
    [[nodiscard]] Result<void> redo();

    /// A complete copy in a new file, whole or not at all, and looked through; fails if one is there already.
    [[nodiscard]] Result<void> saveCopy(const std::filesystem::path& to) const;

    /// Looks through the whole file. Empty: sound; else what is wrong, one line each.
    [[nodiscard]] Result<std::vector<Text>> check() const;

    /// What is open; for the files of this room.
    struct State;

private:
    explicit Notebook(std::unique_ptr<State> state);
    [[nodiscard]] static Result<Notebook> open(const std::filesystem::path& path, bool writable);
    Result<void> step(bool back);
    std::unique_ptr<State> m_state;
};

} // namespace uttrin
