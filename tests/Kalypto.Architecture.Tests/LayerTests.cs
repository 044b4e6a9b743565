using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnitV3;
using static ArchUnitNET.Fluent.ArchRuleDefinition;
using Assembly = System.Reflection.Assembly;

namespace Kalypto.Architecture.Tests;

/// <summary>How the house is built: one way through its storeys, no circles between the rooms of one, and a core that touches nothing.</summary>
public class LayerTests
{
    private static readonly Assembly Core = typeof(Core.Designs.Box).Assembly;
    private static readonly Assembly Drawing = typeof(Drawing.Workers.WorkerRenderer).Assembly;
    private static readonly Assembly Store = typeof(Store.Database).Assembly;
    private static readonly Assembly Application = typeof(Application.Services).Assembly;
    private static readonly Assembly Web = typeof(Web.Wording.Words).Assembly;

    private static readonly ArchUnitNET.Domain.Architecture House = new ArchLoader().LoadAssemblies(Core, Drawing, Store, Application, Web).Build();

    public static TheoryData<string> Projects => ["Kalypto.Core", "Kalypto.Drawing", "Kalypto.Store", "Kalypto.Application", "Kalypto.Web"];

    [Theory]
    [MemberData(nameof(Projects))]
    public void No_rooms_of_a_storey_go_round_in_a_circle(string project) => Assert.Empty(Rooms.Circles(House, project));

    [Fact]
    public void A_planted_circle_is_found()
    {
        var planted = new ArchLoader().LoadAssemblies(typeof(Planted.Left.Hand).Assembly).Build();
        Assert.Equal(["Left -> Right -> Left"], Rooms.Circles(planted, "Kalypto.Architecture.Tests.Planted"));
    }

    [Fact]
    public void The_storeys_are_used_one_way()
    {
        foreach (var (lower, upper) in new[] { (Core, Drawing), (Core, Store), (Core, Application), (Core, Web), (Drawing, Store), (Store, Drawing), (Drawing, Application), (Store, Application), (Drawing, Web), (Store, Web), (Application, Web) })
        {
            Types().That().ResideInAssembly(lower).Should().NotDependOnAny(Types().That().ResideInAssembly(upper)).Because("the storeys are used one way").Check(House);
        }
    }

    [Fact]
    public void The_core_touches_no_disk_clock_database_network_or_native_code()
    {
        string[] outside = ["System.IO.File", "System.IO.FileInfo", "System.IO.Directory", "System.IO.DirectoryInfo", "System.IO.FileStream", "System.Random", "System.Diagnostics.Stopwatch", "System.Threading.Timer", "System.TimeProvider",
            "System.Runtime.InteropServices.Marshal", "System.Runtime.InteropServices.DllImportAttribute", "System.Runtime.InteropServices.LibraryImportAttribute", "System.Diagnostics.Process", "System.Console", "System.Environment"];
        var used = House.Types.Where(t => t.Assembly.Name.StartsWith("Kalypto.Core", StringComparison.Ordinal))
            .SelectMany(t => t.Dependencies.Select(d => (t.FullName, Target: d.Target.FullName)));
        Assert.DoesNotContain(used, u => outside.Contains(u.Target) || (u.Target.StartsWith("System.Net.", StringComparison.Ordinal) && u.Target != "System.Net.WebUtility") || u.Target.StartsWith("System.Data.", StringComparison.Ordinal));
        // Of types that are needed otherwise: what differs from one call to the next.
        string[] calls = ["System.DateTime::get_UtcNow", "System.DateTime::get_Now", "System.DateTimeOffset::get_UtcNow", "System.Guid::NewGuid"];
        var called = House.Types.Where(t => t.Assembly.Name.StartsWith("Kalypto.Core", StringComparison.Ordinal)).SelectMany(t => t.Members)
            .SelectMany(m => m.MemberDependencies).OfType<ArchUnitNET.Domain.Dependencies.IMemberMemberDependency>().Select(d => d.TargetMember.FullName);
        Assert.DoesNotContain(called, c => calls.Any(forbidden => c.Contains(forbidden, StringComparison.Ordinal)));
    }

    [Fact]
    public void What_people_do_knows_no_web()
    {
        var used = House.Types.Where(t => t.Assembly.Name.StartsWith("Kalypto.Application", StringComparison.Ordinal)).SelectMany(t => t.Dependencies).Select(d => d.Target.FullName);
        Assert.DoesNotContain(used, u => u.StartsWith("Microsoft.AspNetCore.", StringComparison.Ordinal));
    }
}
