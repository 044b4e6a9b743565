using Kalypto.Core.Checking;

namespace Kalypto.Core.Tests.Checking;

public class CheckBookTests
{
    private static readonly ICheck LongName = Checks.Of("long-name");
    private static readonly Finding Found = new("long-name", Severity.Warning, new(1, 7), "It is long.");

    [Fact]
    public void Ids_are_words_with_dashes_and_each_is_of_one_check()
    {
        Assert.All(Checks.All, c => Assert.Matches("^[a-z]+(-[a-z]+)*$", c.Id));
        Assert.Equal(Checks.All.Count, Checks.All.Select(c => c.Id).Distinct().Count());
        Assert.All(Checks.All, c => Assert.All(new[] { c.Text.What, c.Text.Why, c.Text.Example, c.Text.Remedy }, t => Assert.EndsWith(".", t.TrimEnd('”'), StringComparison.Ordinal)));
        Assert.Equal(["folder-refused", "name-refused", "same-path-twice"], Checks.All.Where(c => c.IsEssential).Select(c => c.Id).Order());
    }

    [Fact]
    public void A_book_comes_back_as_it_was_written_and_a_usual_one_is_nothing()
    {
        var book = CheckBook.Usual.With(LongName, Severity.Hint).With(Checks.Of("guides-ship"), isOn: false).Suppress(Found with { About = "a" }, new string('b', 999));
        var read = CheckBook.Read(book.ToJson());
        Assert.Equal(book.ToJson(), read.ToJson());
        Assert.Equal((Severity.Hint, "guides-ship", 200), (read.Severities["long-name"], read.Off.Single(), read.Suppressed.Single().Reason.Length));
        Assert.Equal("", CheckBook.Usual.ToJson());
        Assert.Equal("", book.With(LongName, null).With(Checks.Of("guides-ship"), isOn: true).Again(Found with { About = "a" }).ToJson());
    }

    [Theory]
    [InlineData("nonsense")]
    [InlineData("{\"Off\":[\"no-such-check\",\"same-path-twice\"],\"Severities\":{\"long-name\":77,\"gone\":1}}")]
    [InlineData("{\"Suppressed\":[{\"Check\":\"gone\"}]}")]
    public void What_cannot_be_read_or_is_not_there_any_more_says_nothing(string json) => Assert.Equal("", CheckBook.Read(json).ToJson());

    [Fact]
    public void Only_the_finding_meant_is_suppressed()
    {
        var book = CheckBook.Usual.Suppress(Found with { About = "one" }, "fine");
        var (told, suppressed) = book.Sort([Found with { About = "one" }, Found with { About = "two" }, Found with { Layer = new(1, 8) }]);
        Assert.Equal(2, told.Length);
        Assert.Equal("fine", Assert.Single(suppressed).Reason);
    }

    [Fact]
    public void The_pages_of_the_documentation_are_those_of_the_code()
    {
        var folder = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../docs/checks"));
        var pages = CheckPages.All();
        // ./scripts/write-docs.sh sets it.
        if (Environment.GetEnvironmentVariable("KALYPTO_WRITE_DOCS") == "1")
        {
            Directory.CreateDirectory(folder);
            foreach (var (name, text) in pages)
            {
                File.WriteAllText(Path.Combine(folder, name), text);
            }
        }
        Assert.Equal(pages.Keys.Order(StringComparer.Ordinal), Directory.EnumerateFiles(folder).Select(f => Path.GetFileName(f)!).Order(StringComparer.Ordinal));
        Assert.All(pages, p => Assert.Equal(p.Value, File.ReadAllText(Path.Combine(folder, p.Key))));
    }
}
