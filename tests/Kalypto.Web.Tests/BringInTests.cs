using System.IO.Compression;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Tests;

public class BringInTests
{
    [Theory]
    [InlineData("visitor-app.svg", "Visitor app")]
    [InlineData("in/some/folder/book_a_place.ora", "Book a place")]
    [InlineData(@"C:\work\tonight.final.png", "Tonight.final")]
    [InlineData(".svg", "Drawing")]
    [InlineData("../../etc/passwd", "Passwd")]
    public void A_design_is_called_after_its_file(string file, string name) => Assert.Equal(name, BringIn.DesignName(file));

    [Fact]
    public async Task Of_a_zip_every_drawing_is_taken_and_what_is_wrong_with_one_stops_no_other()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync("<rect id='first' width='9' height='9'/>");
        const string Good = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 40 40'><rect id='a' width='9' height='9'/><rect id='b' width='9' height='9'/></svg>";
        var results = await BringAsync(kalypto, project, "all.zip", Zip(
            ("screens/tonight_map.svg", Good), ("broken.svg", "<svg xmlns='http://www.w3.org/2000/svg'><g>"), ("notes.txt", "hello"), ("__MACOSX/tonight_map.svg", Good), ("../../sky.svg", Good)));
        Assert.Equal(["tonight_map.svg", "broken.svg", "sky.svg"], results.Select(r => r.File));
        Assert.Equal("2 layers on 1 screen", results[0].Message);
        Assert.StartsWith("broken.svg was not brought in. ", results[1].Message, StringComparison.Ordinal);
        Assert.Equal(["Tonight", "Tonight map", "Sky"], (await kalypto.OpenAsync(project)).States.Select(s => s.Name));
    }

    [Fact]
    public async Task A_zip_without_drawings_or_of_too_many_entries_or_broken_is_refused_with_the_remedy()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var project = await kalypto.ProjectAsync("<rect id='first' width='9' height='9'/>");
        async Task<string> RefusalAsync(byte[] file)
        {
            var result = Assert.Single(await BringAsync(kalypto, project, "all.zip", file));
            Assert.Null(result.Design);
            return result.Message;
        }
        Assert.Contains("The zip holds no drawing. Kalypto reads", await RefusalAsync(Zip(("notes.txt", "hello"))), StringComparison.Ordinal);
        Assert.Contains("more than 500 entries. Make several zips of it.", await RefusalAsync(Zip([.. Enumerable.Range(0, 501).Select(i => ($"{i}.svg", "<svg/>"))])), StringComparison.Ordinal);
        Assert.Contains("The zip is not whole. Make it again", await RefusalAsync(Zip(("a.svg", "<svg/>"))[..^30]), StringComparison.Ordinal);
        Assert.Single((await kalypto.OpenAsync(project)).States);
    }

    private static async Task<List<BroughtIn>> BringAsync(Running kalypto, int project, string name, byte[] file)
    {
        var results = new List<BroughtIn>();
        await foreach (var result in kalypto.Get<BringIn>().FilesAsync(project, name, file, TestContext.Current.CancellationToken))
        {
            results.Add(result);
        }
        return results;
    }

    private static byte[] Zip(params (string Name, string Text)[] entries)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in entries)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(text);
            }
        }
        return stream.ToArray();
    }
}
