using System.Text;
using Kalypto.Core.Reading;

namespace Kalypto.Core.Tests.Reading;

/// <summary>What once took memory or time without end, or killed the process, is refused or cheap.</summary>
public class HostileTests
{
    private const int Allowed = 300;

    private static string Repeat(string text, int times) => string.Concat(Enumerable.Repeat(text, times));

    private static string Svg(string inside) => $"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'>{inside}</svg>";

    public static TheoryData<string, string> Deep => new()
    {
        { "media", Svg($"<style>{Repeat("@media all{", 20_000)}</style>") },
        { "not", Svg($"<style>{Repeat(":not(", 4_000)}a{Repeat(")", 4_000)}{{fill:red}}</style>") },
        { "calc", Svg($"<rect width='9' height='9' style='x:{Repeat("calc(", 8_000)}1'/>") },
        { "attribute", Svg($"<rect transform='{Repeat("rotate(", 8_000)}' width='9' height='9'/>") },
    };

    [Theory]
    [MemberData(nameof(Deep))]
    public void Brackets_within_brackets_are_refused_before_anything_parses_them(string name, string svg)
    {
        Assert.NotEmpty(name);
        Assert.Contains("deep", Assert.Throws<DrawingRefusedException>(() => SvgReader.Read(Encoding.UTF8.GetBytes(svg), "x")).Message, StringComparison.Ordinal);
    }

    public static TheoryData<string, string> Wide => new()
    {
        { "hashes", Svg($"<rect width='9' height='9' fill='{new string('#', 400_000)}u1'/>") },
        { "addresses", Svg($"<rect width='9' height='9' style='fill:{Repeat("url(#a)", 60_000)}'/>") },
        { "properties", Svg($"<g style='{string.Concat(Enumerable.Range(0, 2_000).Select(i => $"--a{i}:1;"))}'>{Repeat("<g style='--b:2'/>", 4_000)}</g>") },
        { "siblings", Svg($"<style>rect+rect{{fill:red}}</style>{Repeat("<rect width='1' height='1'/>", 12_000)}") },
        { "titles", Svg($"<g><title>{Repeat("<b>", 20_000)}{Repeat("</b>", 20_000)}</title></g>") },
    };

    [Theory]
    [MemberData(nameof(Wide))]
    public void What_is_wide_costs_no_more_than_its_length(string name, string svg)
    {
        var file = Encoding.UTF8.GetBytes(svg);
        var before = GC.GetAllocatedBytesForCurrentThread();
        try
        {
            SvgReader.Read(file, name);
        }
        catch (DrawingRefusedException)
        {
            // Refused is as good.
        }
        Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, (long)file.Length * Allowed);
    }

    [Fact]
    public void An_element_with_thousands_of_attributes_and_thousands_of_screens_of_one_name_are_refused()
    {
        var attributes = Svg($"<rect {string.Concat(Enumerable.Range(0, 20_000).Select(i => $"a{i}='1' "))}/>");
        var views = Svg(Repeat("<view aria-label='one' viewBox='0 0 9 9'/>", 20_000));
        Assert.Contains("attributes", Assert.Throws<DrawingRefusedException>(() => SvgReader.Read(Encoding.UTF8.GetBytes(attributes), "x")).Message, StringComparison.Ordinal);
        Assert.Contains("screens", Assert.Throws<DrawingRefusedException>(() => SvgReader.Read(Encoding.UTF8.GetBytes(views), "x")).Message, StringComparison.Ordinal);
    }
}
