#include "Driver.h"
#include "app/shell/GuardedApplication.h"

int main(int argc, char** argv) {
    ::testing::InitGoogleTest(&argc, argv);
    if (GTEST_FLAG_GET(list_tests))
        return RUN_ALL_TESTS(); // the build asks for the list, with no platform to show a window on
    const uttrin::testing::TempDir settings; // the person's own settings stay as they are
    qputenv("XDG_CONFIG_HOME", QByteArray::fromStdString((settings / "config").string()));
    qputenv("XDG_DATA_HOME", QByteArray::fromStdString((settings / "data").string()));
    uttrin::app::GuardedApplication application(argc, argv);
    ::testing::AddGlobalTestEnvironment(new uttrin::testing::AppEnvironment);
    return RUN_ALL_TESTS();
}
