#pragma once

#include <algorithm>
#include <atomic>
#include <functional>
#include <thread>
#include <vector>

namespace uttrin {

/// Does something for each place from first to before end, on all cores; ends early, between two of them,
/// once `goOn` says false. @param work  is called from several threads at once.
template <typename Work>
void inParallel(std::size_t first, std::size_t end, const std::function<bool()>& goOn, const Work& work) {
    std::atomic<std::size_t> next{first};
    const auto some = [&] {
        for (std::size_t i = next++; i < end && (!goOn || goOn()); i = next++)
            work(i);
    };
    std::vector<std::jthread> threads;
    for (unsigned t = 1; t < std::max(1U, std::thread::hardware_concurrency()); ++t)
        threads.emplace_back(some);
    some();
}

} // namespace uttrin
