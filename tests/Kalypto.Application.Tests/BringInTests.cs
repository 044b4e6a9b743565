using System.IO.Compression;
using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Editing;
using Kalypto.Application.Packs;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

public class BringInTests
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

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
        Assert.Equal((2, 1, 1), Assert.IsType<BroughtIn.Read>(results[0]) is var read ? (read.Layers, read.Screens, read.DrawnAt) : default);
        Assert.NotEmpty(Assert.IsType<BroughtIn.Refused>(results[1]).Why.Message);
        Assert.Equal(["Tonight", "Tonight map", "Sky"], (await kalypto.OpenAsync(project)).States.Select(s => s.Name));
    }

    [Fact]
    public async Task A_design_is_as_large_as_its_file_says_and_may_be_said_to_be_otherwise()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        var read = Assert.IsType<BroughtIn.Read>(Assert.Single(await BringAsync(kalypto, null, "dome.svg", Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg' width='24' height='24' viewBox='0 -960 960 960'><path id='dome' d='M80-480H880'/></svg>"))));
        Assert.Equal(40, read.DrawnAt);
        var visit = await kalypto.VisitAsync(read.Project);
        var arrange = kalypto.Get<ArrangeScreens>();
        await Assert.ThrowsAsync<ArgumentOutOfRangeException>(() => arrange.DrawnAtAsync(visit, read.Design, 7, TestContext.Current.CancellationToken));
        foreach (var scale in new[] { 1.0, 40 })
        {
            await arrange.DrawnAtAsync(visit, read.Design, scale, TestContext.Current.CancellationToken);
            Assert.Equal(scale, Assert.Single((await kalypto.OpenAsync(read.Project)).States).DrawnAt);
            visit = await kalypto.VisitAsync(read.Project);
        }
    }

    [Fact]
    public async Task A_zip_without_drawings_or_of_too_many_entries_or_broken_is_refused_and_makes_no_project()
    {
        await using var kalypto = await Running.StartAsync(new(), draws: false);
        async Task<ZipRefusal> RefusalAsync(byte[] file) => Assert.IsType<BroughtIn.ZipRefused>(Assert.Single(await BringAsync(kalypto, null, "all.zip", file))).Why;
        Assert.Equal(ZipRefusal.NoDrawing, await RefusalAsync(Zip(("notes.txt", "hello"))));
        Assert.Equal(ZipRefusal.TooMany, await RefusalAsync(Zip([.. Enumerable.Range(0, 501).Select(i => ($"{i}.svg", "<svg/>"))])));
        Assert.Equal(ZipRefusal.NotWhole, await RefusalAsync(Zip(("a.svg", "<svg/>"))[..^30]));
        Assert.IsType<BroughtIn.Refused>(Assert.Single(await BringAsync(kalypto, null, "torn.svg", Encoding.UTF8.GetBytes("<svg><g>"))));
        Assert.Equal(0, (await kalypto.Get<ProjectStore>().CountsAsync(TestContext.Current.CancellationToken)).Values.Sum());
        // One is made as soon as something could be read, and called after what was dropped.
        var read = Assert.IsType<BroughtIn.Read>((await BringAsync(kalypto, null, "night_sky.zip", Zip(("bad.svg", "<g"), ("a.svg", "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9 9'/>"))))[1]);
        Assert.Equal("Night sky", (await kalypto.OpenAsync(read.Project)).Row.Name);
    }

    private static async Task<List<BroughtIn>> BringAsync(Running kalypto, int? project, string name, byte[] file)
    {
        var results = new List<BroughtIn>();
        await foreach (var result in kalypto.Get<BringIn>().FilesAsync(new(Running.Ada, project), name, file, TestContext.Current.CancellationToken))
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

    [Theory]
    [InlineData(0.2, true)]
    [InlineData(0.001, false)]
    public async Task A_layered_picture_is_held_against_the_merged_one_that_came_with_it(double share, bool isTold)
    {
        byte[] dot = Convert.FromBase64String("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, bytes) in new[] { ("mimetype", "image/openraster"u8.ToArray()), ("stack.xml", "<image w='1' h='1'><stack><layer name='dot' src='data/a.png'/></stack></image>"u8.ToArray()), ("data/a.png", dot), ("mergedimage.png", dot) })
            {
                await using var entry = await zip.CreateEntry(name, CompressionLevel.NoCompression).OpenAsync(cancel);
                await entry.WriteAsync(bytes, cancel);
            }
        }
        await using var kalypto = await Running.StartAsync(new() { Difference = new(0.9, share, 200) }, draws: false);
        var read = Assert.IsType<BroughtIn.Read>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada), "night.ora", file.ToArray(), "night.ora", cancel));
        // Also to whoever loads it again.
        await using var other = await Running.StartAsync(new(), kalypto.DatabaseName, draws: false, drops: false);
        var plan = await other.Get<PlanPack>().PlanAsync(await other.OpenAsync(read.Project), cancel);
        Assert.Equal(isTold, plan.Pack.Findings.Any(f => f.Check == "other-than-merged"));
    }
}
