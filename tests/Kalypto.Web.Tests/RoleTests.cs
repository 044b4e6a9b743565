using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Reflection;
using System.Text;
using System.Text.RegularExpressions;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.Asking;
using Kalypto.Store.People;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Authorization.Infrastructure;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Options;

namespace Kalypto.Web.Tests;

/// <summary>Every route there is, by everybody who may come: answers as <c>roles.txt</c> beside this says.</summary>
public partial class RoleTests(PeopleFixture server) : IClassFixture<PeopleFixture>
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private IEnumerable<RouteEndpoint> Routes => server.Services.GetServices<EndpointDataSource>().SelectMany(s => s.Endpoints).OfType<RouteEndpoint>().DistinctBy(RouteNames.NameOf).OrderBy(RouteNames.NameOf, StringComparer.Ordinal);

    [Fact]
    public async Task Every_route_says_whom_it_is_for_by_one_policy()
    {
        var routes = Routes.ToList();
        Assert.All(routes, r => Assert.Single(r.Metadata, m => m is IAuthorizeData or IAllowAnonymous));
        Assert.InRange(routes.Count, 100, 300);
        // What says nothing is for nobody.
        Assert.False(await server.Services.GetRequiredService<IOptions<AuthorizationOptions>>().Value.FallbackPolicy!.Requirements.OfType<AssertionRequirement>().Single().Handler(new([], new(), null)));
    }

    [Fact]
    public async Task Everybody_is_let_in_where_the_table_says_and_nowhere_else()
    {
        var table = new StringBuilder($"{string.Join(" | ", PeopleFixture.Callers)}\n");
        var clients = PeopleFixture.Callers.Select(server.BrowserOf).ToList();
        foreach (var route in Routes)
        {
            var name = RouteNames.NameOf(route);
            var answers = new List<string>();
            foreach (var client in clients)
            {
                // Without the token of a page nothing is changed by whoever is let in.
                using var request = new HttpRequestMessage(new HttpMethod(name[..name.IndexOf(' ', StringComparison.Ordinal)]), Address(name, server.Project));
                using var answer = await client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, cancel);
                var refused = Assert.Single(answer.Headers.GetValues("X-Refused"));
                answers.Add(refused.Length == 0 ? "in" : refused);
                Assert.True(refused switch { "sign in" => (int)answer.StatusCode is 302 or 401, "not there" => (int)answer.StatusCode == 404 || answer.Headers.Location?.ToString().EndsWith("/handover", StringComparison.Ordinal) == true, "too little" => (int)answer.StatusCode == 403, _ => true }, $"{name}: {answer.StatusCode}");
            }
            table.Append(CultureInfo.InvariantCulture, $"{name} | {string.Join(" | ", answers)}\n");
        }
        clients.ForEach(c => c.Dispose());
        var file = Path.Combine(AppContext.BaseDirectory, "roles.txt");
        if (Environment.GetEnvironmentVariable("KALYPTO_WRITE") is not null)
        {
            await File.WriteAllTextAsync(Path.Combine(SourceFolder(), "roles.txt"), table.ToString(), cancel);
        }
        Assert.Equal(await File.ReadAllTextAsync(file, cancel), table.ToString());
    }

    [Fact]
    public async Task A_project_of_somebody_else_is_as_if_it_were_not_there()
    {
        using var owner = server.BrowserOf("owner");
        var foreign = (await server.Services.GetRequiredService<ProjectStore>().ListAsync(Shelf.Current, "", 0, 9, cancel, server.People["stranger"])).Projects.Single().Id;
        foreach (var name in Routes.Select(RouteNames.NameOf).Where(n => n.Contains("{project}", StringComparison.Ordinal)))
        {
            foreach (var project in new[] { foreign, 99_999 })
            {
                using var request = new HttpRequestMessage(new HttpMethod(name[..name.IndexOf(' ', StringComparison.Ordinal)]), Address(name, project));
                using var answer = await owner.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, cancel);
                Assert.True((int)answer.StatusCode == 404, $"{name} of {project}: {answer.StatusCode}");
            }
        }
    }

    // Every number in a body that says what is meant beyond the project of the address, and what is sent with it.
    private static readonly (string Route, string Property, Func<Foreign, object> Body)[] NumbersInBodies =
    [
        ("POST api/projects/{project}/recipes", "from", f => new { @do = "copy", from = f.Project }),
        ("POST api/projects/{project}/recipes/preview", "from", f => new { @do = "copy", from = f.Project }),
        ("POST api/projects/{project}/taken", "design", f => new { design = f.Design, lineage = 1 }),
        ("POST api/projects/{project}/taken", "lineage", f => new { design = f.Design, lineage = 1 }),
        ("POST api/projects/{project}/edit", "design", f => new { design = f.Design, screen = 0, layers = new[] { 1 }, decision = "Ship" }),
        ("POST api/projects/{project}/preview", "design", f => new { design = f.Design, screen = 0, layers = new[] { 1 }, tags = "png" }),
        ("POST api/projects/{project}/combine", "design", f => new { design = f.Design, screen = 0, layers = new[] { 1, 2 } }),
        ("POST api/projects/{project}/take-apart", "design", f => new { design = f.Design, screen = 0, layers = new[] { 1 } }),
        ("POST api/projects/{project}/rule", "design", f => new { design = f.Design, screen = 0, rule = "all", @in = "design" }),
        ("POST api/projects/{project}/accept", "design", f => new { design = f.Design, screen = 0 }),
        ("POST api/projects/{project}/rename", "design", f => new { design = f.Design, screen = 0, layers = new[] { 1 }, find = "a", replace = "b", style = "AsTyped" }),
        ("POST api/projects/{project}/rename/preview", "design", f => new { design = f.Design, screen = 0, layers = new[] { 1 }, find = "a", replace = "b", style = "AsTyped" }),
        ("POST api/projects/{project}/fix", "design", f => new { design = f.Design, screen = 0, layers = new[] { 1 }, check = "name-twice" }),
        ("POST api/projects/{project}/checks/fix", "design", f => new { check = "name-twice", design = f.Design, layer = 1 }),
        ("POST api/projects/{project}/checks/suppress", "design", f => new { check = "name-twice", design = f.Design, layer = 1, reason = "x" }),
        ("POST api/projects/{project}/designs/{design}/held", "draft", f => new { draft = f.Draft }),
        ("POST api/projects/{project}/designs/{design}/next-of", "design", f => new { design = f.Design }),
        ("POST api/projects/{project}/builds", "design", f => new { design = f.Design, layers = new[] { new { design = f.Design, ordinal = 1 } } }),
        ("POST api/projects/{project}/builds/preview", "design", f => new { design = f.Design, layers = new[] { new { design = f.Design, ordinal = 1 } } }),
        ("POST api/projects/{project}/tokens", "design", f => new { design = f.Design }),
        ("POST api/projects/{project}/places/{place}/deliver", "delivery", f => new { delivery = 1 }),
        ("POST api/projects/{project}/team/links", "delivery", f => new { label = "x", role = "Guest", delivery = 99 }),
    ];

    // Names of numbers that mean something inside what the address or another number names already.
    private static readonly string[] NumbersWithin =
        ["screen", "layers", "layer", "lineage", "root", "to", "by", "start", "atLeast", "days", "ordinal", "drawnAt", "x", "y", "width", "height", "number", "dismissed", "within", "step"];

    private sealed record Foreign(int Project, int Design, int Draft);

    [Fact]
    public async Task No_number_in_a_body_reads_or_changes_anything_of_somebody_elses()
    {
        var projects = server.Services.GetRequiredService<ProjectStore>();
        var foreign = (await projects.ListAsync(Shelf.Current, "", 0, 9, cancel, server.People["stranger"])).Projects.Single().Id;
        var workspace = (await server.Services.GetRequiredService<OpenProject>().LoadAsync(foreign, cancel))!;
        const string Secret = "© Somebody Else Entirely";
        var stranger = new Author(foreign, server.ActorOf("stranger"));
        Assert.True((await server.Services.GetRequiredService<EditStore>().MakeAsync(stranger, new("Say") { Fields = [FieldChange.Recipes(foreign, book => book with { Credit = new(Secret, "", "") })] }, cancel)).IsDone);
        var others = new Foreign(foreign, workspace.Designs[0].Row.Id, workspace.Designs[0].Row.DraftId);
        var revision = (await projects.FindAsync(foreign, cancel))!.Revision;
        using var owner = server.BrowserOf("owner");
        // The token of a page and the cookie that goes with it.
        using var page = await owner.GetAsync("/account", cancel);
        owner.DefaultRequestHeaders.Add("X-Kalypto-Token", Regex.Match(await page.Content.ReadAsStringAsync(cancel), "data-token=\"([^\"]+)\"").Groups[1].Value);
        owner.DefaultRequestHeaders.Add("Cookie", string.Join("; ", page.Headers.GetValues("Set-Cookie").Select(c => c.Split(';')[0])));
        foreach (var (route, _, body) in NumbersInBodies)
        {
            using var answer = await owner.PostAsJsonAsync(Address(route, server.Project), body(others), cancel);
            var text = await answer.Content.ReadAsStringAsync(cancel);
            Assert.DoesNotContain("from before Kalypto was restarted", text, StringComparison.Ordinal);
            Assert.DoesNotContain(Secret, text, StringComparison.Ordinal);
            Assert.Equal(revision, (await projects.FindAsync(foreign, cancel))!.Revision);
            Assert.Equal(others.Draft, (await server.Services.GetRequiredService<OpenProject>().LoadAsync(foreign, cancel))!.Designs.Single().Row.DraftId);
        }
        Assert.DoesNotContain(Secret, (await projects.FindAsync(server.Project, cancel))!.Recipes, StringComparison.Ordinal);

        // The list is whole: every number that any body may have is in it, or means something within.
        var told = NumbersInBodies.Select(n => $"{n.Route} {n.Property}").ToHashSet();
        var missing = Routes.Where(r => RouteNames.MethodOf(r) == "POST").SelectMany(r => r.Metadata.OfType<MethodInfo>().SelectMany(m => m.GetParameters()).Where(p => p.ParameterType.Namespace?.StartsWith("Kalypto", StringComparison.Ordinal) == true && IsBody(p.ParameterType))
            .SelectMany(p => p.ParameterType.GetProperties()).Where(p => IsNumber(p.PropertyType)).Select(p => (Route: RouteNames.NameOf(r), Name: char.ToLowerInvariant(p.Name[0]) + p.Name[1..])))
            .Where(p => !NumbersWithin.Contains(p.Name) && !told.Contains($"{p.Route} {p.Name}")).Select(p => $"{p.Route} {p.Name}").ToList();
        Assert.Empty(missing);

        static bool IsBody(Type type) => type.IsClass && type.GetMethod("<Clone>$") is not null && type != typeof(Entry);
        static bool IsNumber(Type type) => (Nullable.GetUnderlyingType(type) ?? type) is var plain && (plain == typeof(int) || plain == typeof(long));
    }

    [Fact]
    public async Task A_picture_by_its_hash_is_for_whoever_was_handed_its_address()
    {
        var name = new string('a', 64);
        using var designer = server.BrowserOf("designer");
        foreach (var (seal, project) in new[] { ("", server.Project), ("wrong", server.Project), (PictureSeal.Of(server.Project + 1, name), server.Project) })
        {
            using var answer = await designer.GetAsync($"/pictures/{project}/files/{name}.png?s={seal}", cancel);
            Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        }
        Assert.True(PictureSeal.Holds(server.Project, name, PictureSeal.Of(server.Project, name)));
    }

    [Fact]
    public async Task What_was_deleted_answers_nobody_and_what_is_archived_takes_nothing()
    {
        var (project, design) = await server.BringAsync(server.ActorOf("owner"));
        var workspace = (await server.Services.GetRequiredService<OpenProject>().LoadAsync(project, cancel))!;
        var builds = server.Services.GetRequiredService<BuildStore>();
        await builds.EndAsync(await builds.AddAsync(project, 0, "", "{}", workspace.Said, TimeSpan.FromMinutes(1), cancel), "done", null, [], cancel);
        var author = new Author(project, server.ActorOf("owner"));
        using var owner = server.BrowserOf("owner");
        string[] paths = [$"/projects/{project}/deliveries/1/plates/{design}/0", $"/api/projects/{project}/deliveries/1/plates/{design}/0/asked", $"/projects/{project}/deliveries/1/device/{design}/0/screen.html", $"/api/projects/{project}/builds"];
        foreach (var path in paths)
        {
            using var answer = await owner.GetAsync(path, cancel);
            Assert.True(answer.StatusCode == HttpStatusCode.OK, $"{path}: {answer.StatusCode}");
        }
        var manage = server.Services.GetRequiredService<ManageProject>();
        Assert.True((await manage.ArchiveAsync(author, true, DateTime.UtcNow, cancel)).IsDone);
        var questions = server.Services.GetRequiredService<QuestionStore>();
        Assert.Equal(StepState.Archived, (await questions.SayAsync(author, 1, design, 0, true, "Agree", cancel)).State);
        Assert.Null(await server.Services.GetRequiredService<DesignStore>().AddAsync(author, new("x", 1, "x.svg", [1], [null]), cancel));
        Assert.True((await manage.DeleteAsync(author, true, DateTime.UtcNow, cancel)).IsDone);
        foreach (var path in paths)
        {
            using var answer = await owner.GetAsync(path, cancel);
            Assert.True(answer.StatusCode == HttpStatusCode.NotFound, $"{path}: {answer.StatusCode}");
        }
        Assert.Equal(StepState.Gone, (await questions.SayAsync(author, 1, design, 0, true, "Agree", cancel)).State);
        Assert.True((await manage.DeleteAsync(author, false, DateTime.UtcNow, cancel)).IsDone);
        Assert.True((await manage.ArchiveAsync(author, false, DateTime.UtcNow, cancel)).IsDone);
        // Who only looks brings nothing in, whatever they say they are.
        Assert.Null(await server.Services.GetRequiredService<DesignStore>().AddAsync(new(project, server.ActorOf("guest") with { Role = Role.Owner }), new("x", 1, "x.svg", [1], [null]), cancel));
    }

    [Fact]
    public async Task A_stream_of_news_ends_for_whoever_was_taken_out()
    {
        var (project, _) = await server.BringAsync(server.ActorOf("owner"));
        var members = server.Services.GetRequiredService<MemberStore>();
        var author = new Author(project, server.ActorOf("owner"));
        await members.SayAsync(author, server.People["developer"], Role.Developer, "Make developer developer", cancel);
        var session = await server.Services.GetRequiredService<SessionStore>().BeginAsync(server.People["developer"], "", null, cancel);
        using var client = server.Browser(session);
        using var stream = await client.GetAsync($"/api/projects/{project}/events?page=p", HttpCompletionOption.ResponseHeadersRead, cancel);
        Assert.Equal(HttpStatusCode.OK, stream.StatusCode);
        await members.SayAsync(author, server.People["developer"], Role.None, "Remove developer", cancel);
        using var reader = new StreamReader(await stream.Content.ReadAsStreamAsync(cancel));
        await reader.ReadToEndAsync(cancel).WaitAsync(TimeSpan.FromMinutes(3), cancel);
    }

    [Fact]
    public async Task A_page_is_only_looked_at()
    {
        using var owner = server.BrowserOf("owner");
        foreach (var page in Routes.Where(RouteNames.IsPage))
        {
            foreach (var method in new[] { HttpMethod.Post, HttpMethod.Put, HttpMethod.Delete })
            {
                using var request = new HttpRequestMessage(method, Address(RouteNames.NameOf(page), server.Project));
                using var answer = await owner.SendAsync(request, cancel);
                Assert.True(answer.StatusCode == HttpStatusCode.MethodNotAllowed, $"{method} {page.RoutePattern.RawText}: {answer.StatusCode}");
            }
        }
    }

    [Fact]
    public async Task A_link_to_one_delivery_opens_nothing_of_another_and_none_once_it_is_revoked_or_over()
    {
        var builds = server.Services.GetRequiredService<BuildStore>();
        var workspace = (await server.Services.GetRequiredService<OpenProject>().LoadAsync(server.Project, cancel))!;
        var second = await builds.AddAsync(server.Project, 0, "", "{}", workspace.Said, TimeSpan.FromMinutes(1), cancel);
        await builds.EndAsync(second, "done", null, [], cancel);
        using var one = server.BrowserOf("link to 1");
        using var all = server.BrowserOf("link");
        foreach (var (client, address, status) in new[]
        {
            (one, $"builds/{server.Build}.zip", 200), (one, $"builds/{second}.zip", 404), (one, "deliveries/1", 200), (one, "deliveries/2", 404), (one, "deliveries/1?with=2", 404),
            // The newest is another one now, and the one before is not theirs any more.
            (all, $"builds/{second}.zip", 200), (all, "deliveries/2", 200), (all, "deliveries", 200), (all, $"builds/{server.Build}.zip", 404), (all, "deliveries/1", 302), (all, "deliveries/2?with=1", 302), (all, $"builds/{second}.zip?since=1", 404),
        })
        {
            using var answer = await client.GetAsync($"/projects/{server.Project}/{address}", cancel);
            Assert.True(status == (int)answer.StatusCode, $"{address}: {answer.StatusCode}");
        }
        Assert.DoesNotContain("delivery 2", await one.GetStringAsync($"/projects/{server.Project}/deliveries/1/plates/{server.Design}/0", cancel), StringComparison.OrdinalIgnoreCase);

        using var visitor = server.Browser(await server.ByLinkAsync(Role.Guest, null));
        var plates = $"/projects/{server.Project}/deliveries/2/plates/{server.Design}/0";
        Assert.Equal(HttpStatusCode.OK, (await visitor.GetAsync(plates, cancel)).StatusCode);
        var links = server.Services.GetRequiredService<LinkStore>();
        var made = (await links.ListAsync(server.Project, cancel))[0];
        Assert.NotNull(made.UsedAt);
        Assert.True((await server.Services.GetRequiredService<ShareLinks>().RevokeAsync(new(server.Project, server.ActorOf("owner")), made.Id, cancel)).IsDone);
        Assert.Equal(HttpStatusCode.Redirect, (await visitor.GetAsync(plates, cancel)).StatusCode);
        var (over, _) = await server.Services.GetRequiredService<ShareLinks>().MakeAsync(new(server.Project, server.ActorOf("owner")), "over", Role.Guest, null, null, "", cancel);
        await server.Services.GetRequiredService<Database>().Source.CreateCommand("update links set expires_at = now() - interval '1 second' where label = 'over'").ExecuteNonQueryAsync(cancel);
        Assert.Null(await links.OfSecretAsync(over!, cancel));
        var history = await server.Services.GetRequiredService<EditStore>().HistoryAsync(server.Project, 50, cancel);
        Assert.Contains(history, h => h is { IsLasting: true, Who: "owner" } && h.Label.StartsWith("Revoke the link “the app team”", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_wrong_password_tells_nobody_which_addresses_there_are_and_the_cookie_is_for_the_server_alone()
    {
        using var client = server.CreateClient();
        client.DefaultRequestHeaders.Add(PeopleFixture.From, "192.0.2.7");
        var page = await client.GetStringAsync("/sign-in", cancel);
        client.DefaultRequestHeaders.Add("X-Kalypto-Token", Regex.Match(page, "data-token=\"([^\"]+)\"").Groups[1].Value);
        Task<HttpResponseMessage> TryAsync(string name, string password) => client.PostAsJsonAsync("/api/coming/sign-in", new { email = $"{name}@observatory.example", password }, cancel);
        var wrong = await (await TryAsync("guest", "not this one")).Content.ReadAsStringAsync(cancel);
        Assert.Equal(Regex.Replace(wrong, "00-[0-9a-f-]+", ""), Regex.Replace(await (await TryAsync("nobody", "not this one")).Content.ReadAsStringAsync(cancel), "00-[0-9a-f-]+", ""));
        // More than may try to come in within a minute from one network, also when a minute ends just now.
        var answers = new List<HttpStatusCode>();
        for (var tries = 0; tries <= 2 * Limits.Coming; tries++)
        {
            answers.Add((await client.PostAsJsonAsync("/api/coming/invitation", new { secret = "none" }, cancel)).StatusCode);
        }
        Assert.Contains(HttpStatusCode.NotFound, answers);
        Assert.Contains(HttpStatusCode.TooManyRequests, answers);
        client.DefaultRequestHeaders.Remove(PeopleFixture.From);
        client.DefaultRequestHeaders.Add(PeopleFixture.From, "192.0.2.8");
        using var right = await TryAsync("developer", PeopleFixture.Password);
        Assert.Equal(HttpStatusCode.OK, right.StatusCode);
        var cookie = right.Headers.GetValues("Set-Cookie").Single(c => c.StartsWith(Callers.Cookie, StringComparison.Ordinal));
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=lax", cookie, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task What_only_owners_do_nobody_else_does_by_the_history_and_somebody_always_owns_a_project()
    {
        var (project, _) = await server.BringAsync(server.ActorOf("owner"));
        var (edits, members, manage) = (server.Services.GetRequiredService<EditStore>(), server.Services.GetRequiredService<MemberStore>(), server.Services.GetRequiredService<ManageProject>());
        Author By(string name, Role role) => new(project, server.ActorOf(name) with { Role = role });
        var owner = By("owner", Role.Owner);
        await members.SayAsync(owner, server.People["designer"], Role.Designer, "Make designer designer", cancel);
        Assert.True((await manage.ArchiveAsync(owner, true, DateTime.UtcNow, cancel)).IsDone);
        var step = (await edits.HistoryAsync(project, 1, cancel))[0].Id;
        Assert.Equal(StepState.Forbidden, (await edits.TurnAsync(By("designer", Role.Designer), step, undo: true, cancel)).State);
        Assert.Equal(StepState.Forbidden, (await manage.ArchiveAsync(By("designer", Role.Designer), false, DateTime.UtcNow, cancel)).State);
        Assert.Equal(StepState.Forbidden, (await manage.NameAsync(By("developer", Role.Developer), "mine", cancel)).State);
        Assert.True((await manage.ArchiveAsync(owner, false, DateTime.UtcNow, cancel)).IsDone);
        // What says who may do what is not the last step that undo takes back.
        Assert.True((await members.SayAsync(owner, server.People["designer"], Role.Developer, "Make designer developer", cancel)).IsDone);
        Assert.StartsWith("Bring the project back", (await edits.UndoAsync(owner, cancel)).Label, StringComparison.Ordinal);
        Assert.Equal(Role.Developer, (await members.ListAsync(project, cancel)).Single(m => m.Name == "designer").Role);
        Assert.Equal(StepState.Blocked, (await members.SayAsync(owner, server.People["owner"], Role.Guest, "", cancel)).State);
        Assert.True((await members.SayAsync(owner, server.People["designer"], Role.Owner, "", cancel)).IsDone);
        Assert.True((await members.SayAsync(owner, server.People["owner"], Role.None, "", cancel)).IsDone);
        Assert.Equal(["designer"], (await members.ListAsync(project, cancel)).Select(m => m.Name));
    }

    [Theory]
    [InlineData("http://127.0.0.1:5170;http://[::1]:5170", true)]
    [InlineData("http://localhost:5170", true)]
    [InlineData("http://0.0.0.0:5170", false)]
    [InlineData("http://127.0.0.1:5170;https://larkrise.example:443", false)]
    [InlineData("http://*:80", false)]
    [InlineData("http://[::]:80", false)]
    public void Without_accounts_only_this_machine_is_listened_to(string urls, bool mayStart)
    {
        Assert.Equal(mayStart, Listening.Refusal(urls, hasAccounts: false) is null);
        Assert.Null(Listening.Refusal(urls, hasAccounts: true));
        Assert.Equal(!mayStart && urls.Contains("http://", StringComparison.Ordinal) && !urls.StartsWith("http://127", StringComparison.Ordinal), Listening.Warning(urls) is not null);
    }

    [Fact]
    public void A_name_that_means_every_name_is_answered_by_none()
    {
        var hosts = Listening.Hosts("kalypto.example;0.0.0.0;*;[::];10.0.0.7");
        Assert.Equal(["kalypto.example", "10.0.0.7"], hosts);
        Assert.Equal("https://kalypto.example:5170", Listening.Shown("https://0.0.0.0:5170", hosts));
        Assert.Equal("https://kalypto.example:5170", Listening.Shown("https://[::]:5170", hosts));
        Assert.Equal("http://127.0.0.1:5170", Listening.Shown("http://127.0.0.1:5170", hosts));
    }

    private string Address(string name, int project) => "/" + Part().Replace(name[(name.IndexOf(' ', StringComparison.Ordinal) + 1)..], found => found.Groups[1].Value switch
    {
        "project" => $"{project}",
        "design" => $"{server.Design}",
        "build" => $"{server.Build}",
        "screen" => "0",
        "key" or "name" or "sha256" or "drawing" => "none",
        _ => "1",
    });

    private static string SourceFolder([System.Runtime.CompilerServices.CallerFilePath] string path = "") => Path.GetDirectoryName(path)!;

    [GeneratedRegex(@"\{([a-z0-9]+)\}")]
    private static partial Regex Part();
}
