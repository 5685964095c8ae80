#include "FetchList.h"

#include <algorithm>

namespace uttrin {
namespace {

/// A thing of the list, with the acts that want it.
struct Item {
    Needed sum;
    struct Use {
        double from, to, count;
    };
    std::vector<Use> uses;
};

bool isSame(const Needed& a, const Needed& b) {
    return a.kind == b.kind && a.each == b.each && plain(a.what) == plain(b.what);
}

/// The most that are in use at once: it changes only where a use begins.
double mostAtOnce(const std::vector<Item::Use>& uses) {
    double most = 0.0;
    for (const Item::Use& moment : uses) {
        double now = 0.0;
        for (const Item::Use& u : uses)
            if (u.from <= moment.from && moment.from < u.to) now += u.count;
        most = std::max(most, now);
    }
    return most;
}

Text itemText(Item item, std::optional<int> people) {
    if (item.sum.each && people) return neededText({Needed::Things, item.sum.what, *people, false});
    if (!item.sum.each && item.sum.kind == Needed::Things) item.sum.amount = mostAtOnce(item.uses);
    return neededText(item.sum);
}

} // namespace

std::vector<Text> fetchList(std::span<const FetchShare> shares, std::optional<int> people) {
    std::vector<Item> items;
    for (const FetchShare& share : shares)
        for (const Needed& n : share.needed) {
            auto item = std::ranges::find_if(items, [&](const Item& i) { return isSame(i.sum, n); });
            if (item == items.end()) {
                item = items.insert(items.end(), {n, {}});
                item->sum.amount = 0.0;
            }
            const double count = share.times * n.amount.value_or(0.0);
            item->sum.amount = *item->sum.amount + count;
            item->uses.push_back({share.from, std::max(share.to, share.from + 1.0), count});
        }
    std::vector<Text> list;
    for (const Item& item : items)
        list.push_back(itemText(item, people));
    return list;
}

} // namespace uttrin
