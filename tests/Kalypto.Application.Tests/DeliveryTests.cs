using System.IO.Compression;
using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Editing;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>Deliveries stay what they were, and are compared across drafts.</summary>
public class DeliveryTests
{
    private const string Bell = "<rect id='bell' x='20' y='20' width='24' height='24'/>";
    private const string Moon = "<rect id='moon' x='120' y='20' width='90' height='90' fill='#e0a83c'/>";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<BuildRow> DeliverAsync(Running kalypto, int project, string line) => await kalypto.EndedAsync(
        (await kalypto.Get<BuildPack>().StartAsync(await kalypto.OpenAsync(project), new(), Cancel, line, Running.Ada)).Build!.Value);

    private static async Task<string> ChangesAsync(Running kalypto, int project, int number, int? with = null)
    {
        var compared = (await kalypto.Get<Deliveries>().CompareAsync(project, number, with, Cancel))!;
        return string.Join("; ", compared.Changes.Different.Where(f => f.File.Kind.Length > 0).Select(f =>
            $"{f.File.Path}{(f.IsNew ? " new" : "")}{(f.IsGone ? " gone" : "")}{(f.IsChanged ? " changed" : "")}{(f.IsRenamed ? " renamed" : "")}"));
    }

    [Fact]
    public async Task The_next_draft_is_delivered_as_what_differs_and_an_old_delivery_is_made_again_byte_for_byte()
    {
        await using var kalypto = await Running.StartAsync(new());
        var project = await kalypto.ProjectAsync(Bell + Moon, ("bell", "picture -webp png scale:1x,2x"), ("moon", "picture -webp png scale:1x"));
        var first = await DeliverAsync(kalypto, project, "  for the\nfirst release ");
        Assert.Equal((1, "for the first release", "Ada"), (first.Number, first.Line, first.MadeBy));
        // Nothing changed: equal bytes, and said so.
        var second = await DeliverAsync(kalypto, project, "");
        Assert.Equal((2, true), (second.Number, (await kalypto.Get<Deliveries>().CompareAsync(project, 2, null, Cancel))!.Changes.IsNothing));
        Assert.Equal(await ZipAsync(s => kalypto.Get<BuildPack>().ZipAsync(first.Id, s, Cancel)), await ZipAsync(s => kalypto.Get<BuildPack>().ZipAsync(second.Id, s, Cancel)));

        // A draft with a layer before all others and the moon drawn anew; the bell gets another name, and something new ships.
        var draft = Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'><rect id='sky' x='1' y='700' width='64' height='64'/>{Moon.Replace("e0a83c", "b8402a")}{Bell}</svg>");
        Assert.IsType<BroughtIn.Next>(await kalypto.Get<BringIn>().FileAsync(new(Running.Ada, project), "tonight.svg", draft, "tonight.svg", Cancel));
        await kalypto.SayAsync(project, Decision.Ship, ("sky", "picture -webp png scale:1x"));
        var state = (await kalypto.OpenAsync(project)).States[0];
        await kalypto.Get<EditLayers>().NameAsync(await kalypto.VisitAsync(project), new(state.Id, state.Layers.First(l => l.Name == "bell").Ordinal), "alarm", Cancel);
        await DeliverAsync(kalypto, project, "after the review");
        Assert.Equal("web/alarm.png renamed; web/alarm@2x.png renamed; web/moon.png changed; web/sky.png new", await ChangesAsync(kalypto, project, 3));
        Assert.Equal("web/bell.png renamed; web/bell@2x.png renamed; web/moon.png changed; web/sky.png gone", await ChangesAsync(kalypto, project, 1, 3));

        var delta = new ZipArchive(new MemoryStream(await ZipAsync(async s => await kalypto.Get<Deliveries>().ZipAsync("Larkrise", (await kalypto.Get<Deliveries>().CompareAsync(project, 3, 1, Cancel))!, s, Cancel))));
        Assert.Equal(["CHANGES.md", "changes.json"], delta.Entries.Take(2).Select(e => e.FullName));
        var list = await kalypto.Get<Deliveries>().ListAsync("Larkrise", (await kalypto.Get<Deliveries>().CompareAsync(project, 3, 1, Cancel))!, Cancel);
        Assert.Equal(["moon"], list.Changes.Files.Where(f => list.Redrawn.ContainsKey(FileIdentity.OwnerOf(f.File.Identity)) && f.IsChanged).Select(f => f.File.Layer));
        Assert.Equal(["web/alarm.png", "web/alarm@2x.png", "web/moon.png", "web/sky.png"], delta.Entries.Select(e => e.FullName).Where(e => e.EndsWith(".png", StringComparison.Ordinal)));

        var (again, refusal) = await kalypto.Get<BuildPack>().AgainAsync(first, Running.Ada, Cancel);
        Assert.Null(refusal);
        Assert.Equal(4, (await kalypto.EndedAsync(again!.Value)).Number);
        Assert.True((await kalypto.Get<Deliveries>().CompareAsync(project, 4, 1, Cancel))!.Changes.IsNothing);
        Assert.Null(await kalypto.Get<Deliveries>().CompareAsync(project, 9, null, Cancel));
    }

    private static async Task<byte[]> ZipAsync(Func<Stream, Task> write)
    {
        using var stream = new MemoryStream();
        await write(stream);
        return stream.ToArray();
    }
}
