#include "demo/DemoNotebook.h"

#include "lesson/exchange/Exports.h"
#include "lesson/model/LessonModel.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>

#include <map>

namespace uttrin {
namespace {

class DemoNotebookTest : public ::testing::Test {
protected:
    testing::TempDir dir;
    std::optional<LessonModel> model;

    void SetUp() override {
        ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
        const auto notebook = *Notebook::open(dir / "demo.uttrin");
        model.emplace(notebook.load(notebook.lessons()->front().id).value());
    }

    RunFit fitOf(const std::string& group, Method method) {
        for (const uttrin::Run& r : model->data().runs)
            if (model->group(r.groupId).name == group && r.number == 1 &&
                model->plan(r.setupId).method == method)
                return *model->fit(r.id, {});
        throw std::logic_error("no run of " + group);
    }
};

TEST_F(DemoNotebookTest, TellsItsFiveStories) {
    for (const char* good : {"Cedar", "Basalt"}) {
        const RunFit f = fitOf(good, Method::HoldPressure);
        EXPECT_LT(std::abs(f.fit.relativeToReference()), 0.012) << good;
        EXPECT_FALSE(isTelling(f.causes)) << good << ": " << f.causes.front().sentence;
    }
    EXPECT_LT(std::abs(fitOf("Basalt", Method::HoldTemperature).fit.relativeToReference()), 0.02);
    const RunFit dune = fitOf("Dune", Method::HoldTemperature);
    EXPECT_LT(dune.fit.relativeToReference(), -0.1); // a room pressure too high flattens the line
    EXPECT_EQ(dune.causes.front().cause, Cause::PressureOffset);
    EXPECT_NEAR(dune.causes.front().amount, 94310.0 - 101390.0, 1000.0);
    const RunFit ember = fitOf("Ember", Method::HoldPressure);
    EXPECT_EQ(ember.causes.front().points, (std::vector<std::size_t>{3, 7}));
    const RunFit fjord = fitOf("Fjord", Method::HoldPressure);
    EXPECT_EQ(fjord.fit.points[4].flag, "outlier");
}

TEST_F(DemoNotebookTest, HasFiveGroupsBothMethodsAndSaysItIsMadeUp) {
    EXPECT_TRUE(model->lesson().madeUp);
    EXPECT_EQ(model->data().groups.size(), 5U);
    EXPECT_TRUE(model->troubles().empty());
    std::map<Method, int> runs;
    for (const uttrin::Run& r : model->data().runs) {
        ++runs[model->plan(r.setupId).method];
        if (r.number == 1) {
            EXPECT_GE(model->readingsOf(r.id).size(), 10U);
            EXPECT_LE(model->readingsOf(r.id).size(), 11U);
        }
    }
    EXPECT_GE(runs[Method::HoldPressure], 4);
    EXPECT_GE(runs[Method::HoldTemperature], 2);
}

TEST_F(DemoNotebookTest, IsTheSameEveryTime) {
    ASSERT_TRUE(writeDemoNotebook(dir / "again.uttrin"));
    const auto again = *Notebook::open(dir / "again.uttrin");
    EXPECT_EQ(lessonJson(LessonModel(again.load(1).value())), lessonJson(*model));
}

} // namespace
} // namespace uttrin
