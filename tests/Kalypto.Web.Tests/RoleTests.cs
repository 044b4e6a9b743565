using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.RegularExpressions;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.People;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Kalypto.Web.Tests;

/// <summary>Every route there is, by everybody who may come: answers as <c>roles.txt</c> beside this says.</summary>
public partial class RoleTests(PeopleFixture server) : IClassFixture<PeopleFixture>
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private IEnumerable<RouteEndpoint> Routes => server.Services.GetServices<EndpointDataSource>().SelectMany(s => s.Endpoints).OfType<RouteEndpoint>().DistinctBy(RouteNeeds.NameOf).OrderBy(RouteNeeds.NameOf, StringComparer.Ordinal);

    [Fact]
    public void Every_route_says_whom_it_is_for_and_nothing_is_told_of_one_that_is_not_there()
    {
        var there = Routes.Select(RouteNeeds.NameOf).ToHashSet();
        Assert.Empty(there.Except(RouteNeeds.All.Keys));
        Assert.Empty(RouteNeeds.All.Keys.Except(there));
        Assert.InRange(there.Count, 100, 300);
    }

    [Fact]
    public async Task Everybody_is_let_in_where_the_table_says_and_nowhere_else()
    {
        var table = new StringBuilder($"{string.Join(" | ", PeopleFixture.Callers)}\n");
        var clients = PeopleFixture.Callers.Select(server.BrowserOf).ToList();
        foreach (var route in Routes)
        {
            var name = RouteNeeds.NameOf(route);
            var answers = new List<string>();
            foreach (var client in clients)
            {
                // Without the token of a page nothing is changed by whoever is let in.
                using var request = new HttpRequestMessage(new HttpMethod(name[..name.IndexOf(' ', StringComparison.Ordinal)]), Address(name, server.Project));
                using var answer = await client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, cancel);
                var refused = Assert.Single(answer.Headers.GetValues("X-Refused"));
                answers.Add(refused.Length == 0 ? "in" : refused);
                Assert.True(refused switch { "sign in" => (int)answer.StatusCode is 302 or 401, "not there" => (int)answer.StatusCode == 404, "too little" => (int)answer.StatusCode == 403, _ => true }, $"{name}: {answer.StatusCode}");
            }
            table.Append(CultureInfo.InvariantCulture, $"{name} | {string.Join(" | ", answers)}\n");
        }
        clients.ForEach(c => c.Dispose());
        var file = Path.Combine(AppContext.BaseDirectory, "roles.txt");
        if (Environment.GetEnvironmentVariable("KALYPTO_WRITE") is not null)
        {
            await File.WriteAllTextAsync(Path.Combine(SourceFolder(), "roles.txt"), table.ToString(), cancel);
            return;
        }
        Assert.Equal(await File.ReadAllTextAsync(file, cancel), table.ToString());
    }

    [Fact]
    public async Task A_project_of_somebody_else_is_as_if_it_were_not_there()
    {
        using var owner = server.BrowserOf("owner");
        var foreign = (await server.Services.GetRequiredService<ProjectStore>().ListAsync(Shelf.Current, "", 0, 9, cancel, server.People["stranger"])).Projects.Single().Id;
        foreach (var name in Routes.Select(RouteNeeds.NameOf).Where(n => n.Contains("{project}", StringComparison.Ordinal)))
        {
            foreach (var project in new[] { foreign, 99_999 })
            {
                using var request = new HttpRequestMessage(new HttpMethod(name[..name.IndexOf(' ', StringComparison.Ordinal)]), Address(name, project));
                using var answer = await owner.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, cancel);
                Assert.True((int)answer.StatusCode == 404, $"{name} of {project}: {answer.StatusCode}");
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
            (all, $"builds/{second}.zip", 200), (all, "deliveries/2?with=1", 200),
        })
        {
            using var answer = await client.GetAsync($"/projects/{server.Project}/{address}", cancel);
            Assert.True(status == (int)answer.StatusCode, $"{address}: {answer.StatusCode}");
        }
        Assert.DoesNotContain("delivery 2", await one.GetStringAsync($"/projects/{server.Project}/deliveries/1/plates/{server.Design}/0", cancel), StringComparison.OrdinalIgnoreCase);

        using var visitor = server.Browser(await server.ByLinkAsync(Role.Guest, null));
        var plates = $"/projects/{server.Project}/deliveries/1/plates/{server.Design}/0";
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
    public async Task Wrong_passwords_let_an_account_rest_and_tell_nobody_which_addresses_there_are()
    {
        using var client = server.CreateClient();
        client.DefaultRequestHeaders.Add(PeopleFixture.From, "192.0.2.7");
        var page = await client.GetStringAsync("/sign-in", cancel);
        client.DefaultRequestHeaders.Add("X-Kalypto-Token", Regex.Match(page, "data-token=\"([^\"]+)\"").Groups[1].Value);
        Task<HttpResponseMessage> TryAsync(string name, string password) => client.PostAsJsonAsync("/api/coming/sign-in", new { email = $"{name}@observatory.example", password }, cancel);
        var wrong = await (await TryAsync("guest", "not this one")).Content.ReadAsStringAsync(cancel);
        Assert.Equal(Regex.Replace(wrong, "00-[0-9a-f-]+", ""), Regex.Replace(await (await TryAsync("nobody", "not this one")).Content.ReadAsStringAsync(cancel), "00-[0-9a-f-]+", ""));
        for (var tries = 1; tries < 5; tries++)
        {
            Assert.Equal(HttpStatusCode.Conflict, (await TryAsync("guest", "not this one")).StatusCode);
        }
        Assert.Equal(HttpStatusCode.Conflict, (await TryAsync("guest", PeopleFixture.Password)).StatusCode);
        // More than may try to come in within a minute from one address, also when a minute ends just now.
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
