using System.Text;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Editing;
using Kalypto.Application.Library;
using Kalypto.Core.Deciding;
using Kalypto.Core.Library;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Tests;

/// <summary>What is delivered gets into the library, and from there into other projects, where it stays linked.</summary>
public class LibraryTests
{
    private const string Bell = "<g id='bell' data-name='bell'><image x='20' y='20' width='24' height='24' href='data:image/png;base64,iVBORw0KGgo='/></g>";
    private const string Sky = "<rect id='sky' x='100' y='100' width='300' height='200' fill='#143c5a'/>";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<List<ShippedLayer>> ShelvedAsync(Running kalypto, int builds)
    {
        while (true)
        {
            var next = kalypto.Get<ShelveService>().Next;
            if (builds == 0 || (await kalypto.Get<LibraryStore>().UnshelvedAsync(Cancel)).Count == 0)
            {
                return await kalypto.Get<LibraryStore>().AllAsync(Cancel);
            }
            await next.WaitAsync(Running.Patience, Cancel);
        }
    }

    private static async Task<List<ShippedLayer>> DeliverAsync(Running kalypto, int project)
    {
        var row = await kalypto.EndedAsync(await kalypto.BuildAsync(project));
        Assert.NotNull(row.Number);
        return await ShelvedAsync(kalypto, row.Number!.Value);
    }

    [Fact]
    public async Task A_layer_is_taken_with_its_name_tags_and_credit_and_told_when_its_original_is_delivered_anew()
    {
        await using var kalypto = await Running.StartAsync(new());
        var from = await kalypto.ProjectAsync(Bell + Sky, ("bell", "icon png scale:1x,2x -webp credit"), ("sky", "picture -webp png scale:1x"));
        var recipes = kalypto.Get<ChangeRecipes>();
        await recipes.MakeAsync(await kalypto.VisitAsync(from), await recipes.ReadAsync(await kalypto.OpenAsync(from), new("credit", Copyright: "© 2026 Larkrise"), null, Cancel), Cancel);
        var all = await DeliverAsync(kalypto, from);
        var bell = all.Single(l => l.Name == "bell");
        Assert.Equal(("icon", "icon png -webp scale:1x,2x credit", 24, "Larkrise", "web", 1), (bell.Kind, bell.Tags, bell.Width, bell.ProjectName, Assert.Single(bell.Platforms), bell.Since!.Number));
        Assert.NotNull(bell.Look);
        Assert.NotNull(await kalypto.Get<LibraryStore>().PictureAsync(bell.Drawing, Cancel));
        Assert.Equal(["web/bell.png", "web/bell@2x.png"], (await kalypto.Get<LibraryStore>().FilesAsync(bell.Owner, Cancel)).Select(f => f.File.Path).Where(p => p.EndsWith(".png", StringComparison.Ordinal)));

        var into = await kalypto.Get<ProjectStore>().AddAsync("Northlight", ["web"], Running.Ada, Cancel);
        var take = kalypto.Get<TakeFromLibrary>();
        Assert.Equal(TakeRefusal.Own, (await take.TakeAsync(await kalypto.VisitAsync(from), bell.Design, bell.Lineage, Cancel)).Refusal);
        var taken = (await take.TakeAsync(await kalypto.VisitAsync(into), bell.Design, bell.Lineage, Cancel)).Design!.Value;
        Assert.Equal(new(taken, TakeRefusal.ThereAlready), await take.TakeAsync(await kalypto.VisitAsync(into), bell.Design, bell.Lineage, Cancel));
        var design = (await kalypto.OpenAsync(into)).FindDesign(taken)!.Value;
        Assert.Equal(new Mark(Decision.Ship, "bell", Tags.Parse("icon png -webp scale:1x,2x credit")), Assert.Single(design.State.Marks).Value);
        var files = await kalypto.FilesAsync((await kalypto.EndedAsync(await kalypto.BuildAsync(into))).Id);
        // What is drawn is the original, with the credit of those who drew it.
        Assert.Contains("24 x 24", files["web/bell.png"], StringComparison.Ordinal);
        Assert.Contains("© 2026 Larkrise", files["manifest.json"], StringComparison.Ordinal);

        // In the library it is one drawing with two places.
        all = await ShelvedAsync(kalypto, 1);
        Assert.Equal(2, LibrarySearch.Find(all, new() { Words = "bell" }).Single().Places.Length);
        var links = kalypto.Get<LibraryStore>();
        Assert.False(Assert.Single(await links.LinksAsync(into, Cancel)).IsOld);
        Assert.Equal(TakeRefusal.ThereAlready, (await take.RenewAsync(await kalypto.VisitAsync(into), taken, Cancel)).Refusal);

        // The original moves, and something else is drawn anew: nothing to say. Then it is drawn anew itself.
        Task NextAsync(string inside) => kalypto.Get<BringIn>().FileAsync(new(Running.Ada, from), "tonight.svg",
            Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 9000 9000'>{inside}</svg>"), "tonight.svg", Cancel);
        await NextAsync(Bell.Replace("x='20'", "x='60'") + Sky.Replace("143c5a", "000000"));
        await DeliverAsync(kalypto, from);
        Assert.False((await links.LinksAsync(into, Cancel))[0].IsOld);
        await NextAsync(Bell.Replace("width='24'", "width='28'") + Sky);
        await DeliverAsync(kalypto, from);
        var old = (await links.LinksAsync(into, Cancel))[0];
        Assert.Equal((true, 1, 3), (old.IsOld, old.Number, old.Original.Newest!.Number));

        Assert.Equal(new(taken), await take.RenewAsync(await kalypto.VisitAsync(into), taken, Cancel));
        design = (await kalypto.OpenAsync(into)).FindDesign(taken)!.Value;
        Assert.Equal((2, "bell"), (design.Row.DraftNumber, Assert.Single(design.State.Marks).Value.ShipName));
        Assert.False((await links.LinksAsync(into, Cancel))[0].IsOld);
        // Taken back, it is old again.
        await kalypto.Get<EditStore>().UndoAsync(Running.By(into), Cancel);
        Assert.True((await links.LinksAsync(into, Cancel))[0].IsOld);

        // A deleted project is no longer looked through.
        await kalypto.Get<EditStore>().MakeAsync(Running.By(from), new("Delete") { Fields = [FieldChange.Deleted(from, DateTime.UtcNow)] }, Cancel);
        Assert.All(await links.AllAsync(Cancel), l => Assert.Equal(into, l.Project));
    }
}
