using CsCheck;
using Kalypto.Core.Comparing;
using Kalypto.Core.Placing;

namespace Kalypto.Core.Tests.Placing;

/// <summary>What a delivery would do to a place, and what it never does.</summary>
public class PlacePlanTests
{
    private static PlacedFile File(string path, char content, string? identity = null) => new(path, new(content, 64), identity ?? path);

    private static string Told(PlacePlan plan) =>
        $"new {string.Join(' ', plan.New.Select(f => f.Path))} | changed {string.Join(' ', plan.Changed.Select(f => f.Path))} | renamed {string.Join(' ', plan.Renamed.Select(r => $"{r.From}>{r.To.Path}"))}"
        + $" | removed {string.Join(' ', plan.Removed)} | same {plan.Same} | {string.Join(' ', plan.Conflicts.Select(c => $"{c.Path}:{c.Why}"))}";

    [Fact]
    public void What_is_new_changed_renamed_and_gone_is_done_and_the_rest_is_left()
    {
        var before = new PlaceLock(1, [File("bell.png", 'a', "1"), File("moon.png", 'b', "2"), File("sun.png", 'c', "3"), File("same.png", 'd', "4")]);
        var present = before.Files.ToDictionary(f => f.Path, f => f.Sha256);
        present["theirs.txt"] = new('z', 64);
        var plan = PlacePlan.Of(before, 2, [File("alarm.png", 'a', "1"), File("moon.png", 'x', "2"), File("comet.png", 'e', "5"), File("same.png", 'd', "4")], p => present.GetValueOrDefault(p));
        Assert.Equal("new comet.png | changed moon.png | renamed bell.png>alarm.png | removed sun.png | same 1 | ", Told(plan));
        Assert.Equal(plan.Lock.Write(), PlaceLock.Read(plan.Lock.Write())!.Write());
    }

    [Fact]
    public void What_somebody_changed_or_put_there_is_a_conflict_until_it_is_said()
    {
        var before = new PlaceLock(1, [File("bell.png", 'a'), File("gone.png", 'b'), File("lost.png", 'c')]);
        var present = new Dictionary<string, string> { ["bell.png"] = new('h', 64), ["gone.png"] = new('h', 64), ["moon.png"] = new('t', 64) };
        PlacedFile[] files = [File("bell.png", 'x'), File("moon.png", 'y'), File("lost.png", 'c')];
        PlacePlan Plan(string[] overwrite, string[] leave) => PlacePlan.Of(before, 2, files, p => present.GetValueOrDefault(p), overwrite.ToHashSet(), leave.ToHashSet());
        Assert.Equal("new lost.png | changed  | renamed  | removed  | same 0 | bell.png:ChangedByHand moon.png:InTheWay gone.png:ChangedByHand", Told(Plan([], [])));
        Assert.Equal("new lost.png | changed bell.png | renamed  | removed gone.png | same 0 | ", Told(Plan(["bell.png", "gone.png"], ["moon.png"])));
        // What is left to others is not Kalypto's any more.
        Assert.Equal(["bell.png", "lost.png"], Plan(["bell.png", "gone.png"], ["moon.png"]).Lock.Files.Select(f => f.Path));
    }

    [Fact]
    public void What_was_left_to_others_is_not_asked_again_until_it_changes_again()
    {
        var present = new Dictionary<string, string> { ["bell.png"] = new('h', 64), ["moon.png"] = new('t', 64) };
        PlacePlan Plan(PlaceLock before, char bell, params string[] leave) =>
            PlacePlan.Of(before, 2, [File("bell.png", bell), File("moon.png", 'y')], p => present.GetValueOrDefault(p), leave: leave.ToHashSet());
        var said = PlaceLock.Read(Plan(new(1, [File("bell.png", 'a')]), 'x', "bell.png", "moon.png").Lock.Write())!;
        // Also where the next delivery has another picture for it.
        var next = Plan(said, 'z');
        Assert.Equal("new  | changed  | renamed  | removed  | same 0 | ", Told(next));
        present["bell.png"] = new('i', 64);
        Assert.Equal("new  | changed  | renamed  | removed  | same 0 | bell.png:InTheWay", Told(Plan(next.Lock, 'z')));
        // Once they removed it, or have what is delivered, it is Kalypto's again.
        present.Remove("bell.png");
        present["moon.png"] = new('y', 64);
        var after = Plan(next.Lock, 'z');
        Assert.Equal("new bell.png | changed  | renamed  | removed  | same 1 | ", Told(after));
        Assert.Empty(after.Lock.Left);
    }

    [Fact]
    public void A_place_renames_what_is_told_as_renamed_between_two_deliveries() =>
        (from old in Files from now in Files select (old, now)).Sample(t =>
        {
            var present = t.old.ToDictionary(f => f.Path, f => f.Sha256);
            var told = DeliveryChanges.Of([.. t.old.Select(Delivered)], [.. t.now.Select(Delivered)]).Files;
            var plan = PlacePlan.Of(new(1, [.. t.old]), 2, t.now, p => present.GetValueOrDefault(p));
            // A file that takes the path of another one is written over it, not moved there.
            Assert.Equal(told.Where(c => c.Old is { } o && c.New is { } n && o.Path != n.Path && !present.ContainsKey(n.Path) && t.now.All(f => f.Path != o.Path)).Select(c => $"{c.Old!.Path}>{c.New!.Path}").Order(),
                plan.Renamed.Select(r => $"{r.From}>{r.To.Path}").Order());
        });

    private static readonly Gen<List<PlacedFile>> Files = Gen.Select(Gen.Int[0, 5], Gen.Char['a', 'c'], Gen.Int[0, 7], (p, c, i) => File($"web/f{p}", c, $"1:{i} web svg 1x")).List[0, 6]
        .Select(l => l.DistinctBy(f => f.Path).DistinctBy(f => f.Identity).ToList());

    private static DeliveredFile Delivered(PlacedFile file) => new(file.Identity, file.Path, file.Sha256, 0) { Platform = FileIdentity.PlatformOf(file.Identity), Kind = "icon" };

    [Fact]
    public void Files_that_would_lie_in_another_folder_are_told_by_folder_and_a_set_of_a_catalog_counts_by_what_lies_around_it()
    {
        var before = new PlaceLock(1, [File("icons/bell.svg", 'a', "1"), File("icons/moon.svg", 'b', "2"), File("Icons/bell.imageset/bell@2x.png", 'c', "3"), File("icons/sun.svg", 'd', "4")]);
        // A new name in the same folder, a new file and new content are no moves.
        PlacedFile[] files = [File("tabs/bell.svg", 'a', "1"), File("tabs/moon.svg", 'x', "2"), File("Tabs/alarm.imageset/alarm@2x.png", 'c', "3"), File("icons/star.svg", 'e', "4"), File("other/new.svg", 'f', "5")];
        Assert.Equal([new("Icons", "Tabs", 1), new("icons", "tabs", 2)], FolderMove.Of(before, files));
        Assert.Equal(FolderMove.Of(before, files), FolderMove.Read(FolderMove.Write(FolderMove.Of(before, files))));
        Assert.Empty(FolderMove.Of(before, [File("Icons/alarm.imageset/alarm@2x.png", 'c', "3")]));
    }

    [Theory]
    [InlineData("../out.png")]
    [InlineData("/etc/passwd")]
    [InlineData("a/../../b")]
    [InlineData("a//b")]
    [InlineData(".git/config")]
    [InlineData("c:\\x")]
    [InlineData("")]
    public void A_lock_that_leads_out_of_the_place_is_no_lock(string path)
    {
        Assert.False(PlacePath.IsSafe(path));
        Assert.Null(PlaceLock.Read(new PlaceLock(1, [File(path, 'a')]).Write()));
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("{\"version\":1}")]
    [InlineData("{\"version\":2,\"files\":[]}")]
    [InlineData("{\"version\":1,\"files\":[{\"path\":\"a\"}]}")]
    public void What_is_no_lock_is_not_read_as_one(string text) => Assert.Null(PlaceLock.Read(text));

    [Fact]
    public void Whatever_lies_there_only_own_and_unchanged_files_are_touched_and_done_once_there_is_nothing_to_do() =>
        (from files in Gen.Select(Gen.Int[0, 7], Gen.Char['a', 'd'], (p, c) => File($"f{p}", c, $"i{p % 5}{c}")).List[0, 8]
         from owned in Gen.Select(Gen.Int[0, 7], Gen.Char['a', 'd'], (p, c) => File($"f{p}", c, $"i{p % 5}{c}")).List[0, 8]
         from changes in Gen.Select(Gen.Int[0, 7], Gen.Char['a', 'e']).List[0, 4]
         select (Files: files.DistinctBy(f => f.Path).DistinctBy(f => f.Identity).ToList(), Owned: owned.DistinctBy(f => f.Path).DistinctBy(f => f.Identity).ToList(), changes)).Sample(t =>
        {
            var before = new PlaceLock(1, [.. t.Owned]);
            var present = t.Owned.ToDictionary(f => f.Path, f => f.Sha256);
            foreach (var (path, content) in t.changes)
            {
                present[$"f{path}"] = new(content, 64);
            }
            var plan = PlacePlan.Of(before, 2, t.Files, p => present.GetValueOrDefault(p));
            foreach (var path in plan.Changed.Select(f => f.Path).Concat(plan.Removed).Concat(plan.Renamed.Select(r => r.From)))
            {
                Assert.Equal(present[path], before.Files.Single(f => f.Path == path).Sha256);
            }
            if (!plan.Conflicts.IsEmpty)
            {
                return;
            }
            plan.Renamed.Select(r => r.From).Concat(plan.Removed).ToList().ForEach(p => present.Remove(p));
            foreach (var file in plan.New.Concat(plan.Changed).Concat(plan.Renamed.Select(r => r.To)))
            {
                present[file.Path] = file.Sha256;
            }
            Assert.True(PlacePlan.Of(plan.Lock, 2, t.Files, p => present.GetValueOrDefault(p)).IsNothing);
            Assert.All(t.Files, f => Assert.Equal(f.Sha256, present[f.Path]));
        });
}
