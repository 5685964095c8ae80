#include "pdf/PdfReport.h"

#include "demo/DemoNotebook.h"
#include "report/LabReport.h"
#include "support/FakeClock.h"
#include "support/TempDir.h"

#include <QGuiApplication>
#include <gtest/gtest.h>

#include <array>
#include <cstdio>

namespace uttrin {
namespace {

/// What pdftotext reads from a file, laid out.
std::string textOf(const std::filesystem::path& pdf) {
    FILE* pipe = popen(("pdftotext -layout " + pdf.string() + " -").c_str(), "r");
    std::string text;
    std::array<char, 4096> buffer{};
    while (const auto n = fread(buffer.data(), 1, buffer.size(), pipe))
        text.append(buffer.data(), n);
    pclose(pipe);
    return text;
}

Text x(const std::string& text) { return Text::typed(text); }

Document longDocument(int rows) {
    Document d;
    d.title = x("A long one");
    d.blocks.emplace_back(Heading{1, x("A long one")});
    d.blocks.emplace_back(Banner{x("made up")});
    Table t{x("caption"), {x("#"), x("value"), x("words")}, {}, {}, true};
    for (int i = 1; i <= rows; ++i) {
        t.rows.push_back({x(std::to_string(i)), x("−0.70"), x("row number " + std::to_string(i))});
        t.struck.push_back(i == 3);
    }
    d.blocks.emplace_back(std::move(t));
    d.blocks.emplace_back(BulletList{{x("first"), x("second")}});
    d.blocks.emplace_back(CautionBox{x("mind the glass")});
    return d;
}

TEST(PdfReport, EveryBlockArrivesAsText) {
    const testing::TempDir dir;
    const auto path = dir / "a.pdf";
    EXPECT_EQ(writePdf(longDocument(5), Wording(), QString::fromStdString(path.string())), 1);
    const std::string text = textOf(path);
    for (const char* needed :
         {"A long one", "made up", "caption", "−0.70", "row number 5", "second", "mind the glass", "1/1"})
        EXPECT_NE(text.find(needed), std::string::npos) << needed;
}

TEST(PdfReport, ALongTableFlowsOverPagesWithItsHeadRepeatedAndNothingLost) {
    const testing::TempDir dir;
    const auto path = dir / "a.pdf";
    const int pages = writePdf(longDocument(150), Wording(), QString::fromStdString(path.string())).value();
    EXPECT_GE(pages, 3);
    const std::string text = textOf(path);
    for (int i = 1; i <= 150; ++i)
        EXPECT_NE(text.find("row number " + std::to_string(i)), std::string::npos) << i;
    std::size_t heads = 0;
    for (auto at = text.find("words"); at != std::string::npos; at = text.find("words", at + 1))
        ++heads;
    EXPECT_GE(heads, 3U);
}

TEST(PdfReport, ThePreviewShowsAsManyPagesAsThePdfHasAndNoneIsBlank) {
    const testing::TempDir dir;
    const testing::FakeClock clock;
    ASSERT_TRUE(writeDemoNotebook(dir / "d.uttrin"));
    const LessonSession session(*Notebook::open(dir / "d.uttrin"), clock, 120);
    const Document report = *labReport(session, {});
    const auto pages = reportPages(report, Wording(), 600);
    EXPECT_EQ(pages.size(), writePdf(report, Wording(), QString::fromStdString((dir / "r.pdf").string())));
    for (const QImage& page : pages) {
        EXPECT_EQ(page.width(), 600);
        int ink = 0;
        for (int y = 0; y < page.height(); y += 2)
            for (int x = 0; x < page.width(); x += 2)
                ink += qGray(page.pixel(x, y)) < 128;
        EXPECT_GT(ink, 200);
    }
}

TEST(PdfReport, AFileThatCannotBeWrittenSaysWhy) {
    const auto written = writePdf(longDocument(1), Wording(), QStringLiteral("/nowhere/at/all.pdf"));
    ASSERT_FALSE(written);
    EXPECT_EQ(written.error().message, "/nowhere/at/all.pdf could not be written: there is no such folder");
}

} // namespace
} // namespace uttrin

int main(int argc, char** argv) {
    ::testing::InitGoogleTest(&argc, argv);
    if (GTEST_FLAG_GET(list_tests)) return RUN_ALL_TESTS();
    const QGuiApplication application(argc, argv);
    return RUN_ALL_TESTS();
}
