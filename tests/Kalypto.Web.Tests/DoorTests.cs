using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Kalypto.Application;
using Kalypto.Application.Desk;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Core.Deciding;
using Kalypto.Core.Platforms;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Kalypto.Web.Tests;

/// <summary>What holds for every route there is: the list is taken from the routes.</summary>
public partial class DoorTests(ServerFixture server)
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private List<RouteEndpoint> Routes => [.. server.Services.GetServices<EndpointDataSource>().SelectMany(s => s.Endpoints).OfType<RouteEndpoint>().DistinctBy(e => (e.RoutePattern.RawText, Method(e)))];

    private static string Method(RouteEndpoint route) => route.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods is [var method, ..] ? method : "GET";

    private string Address(RouteEndpoint route, int? project = null) => "/" + Parameter().Replace(route.RoutePattern.RawText!.TrimStart('/'), found => found.Groups[1].Value switch
    {
        "project" => $"{project ?? server.Project}",
        "design" => $"{server.Design}",
        "screen" => "0",
        "key" or "name" => "none",
        _ => "1",
    });

    [Fact]
    public async Task Whatever_changes_something_is_refused_without_the_token_of_a_page()
    {
        using var client = server.CreateClient();
        var changing = Routes.Where(r => Method(r) == "POST" && r.RoutePattern.RawText!.StartsWith("/api", StringComparison.Ordinal)).ToList();
        Assert.InRange(changing.Count, 20, 200);
        foreach (var route in changing)
        {
            using var answer = await client.PostAsJsonAsync(Address(route), new { }, cancel);
            Assert.True(answer.StatusCode == HttpStatusCode.BadRequest, $"{Address(route)}: {answer.StatusCode}");
            Assert.Contains("from before Kalypto was restarted", await answer.Content.ReadAsStringAsync(cancel), StringComparison.Ordinal);
        }
        Assert.All(Routes.Where(r => Method(r) is not ("GET" or "POST" or "HEAD")), r => Assert.Fail($"{r.RoutePattern.RawText} changes by {Method(r)}, which nobody guards."));
    }

    [Fact]
    public void Every_route_of_a_project_goes_through_the_door() => Assert.All(
        Routes.Where(r => r.RoutePattern.Parameters.Any(p => p.Name == "project")),
        r => Assert.NotNull(r.Metadata.GetMetadata<ProjectScope>()));

    [Fact]
    public async Task Every_page_says_what_browsers_may_do_and_a_project_that_is_not_there_is_not_found()
    {
        using var client = server.CreateClient(new() { AllowAutoRedirect = false });
        var pages = Routes.Where(r => r.Metadata.GetMetadata<PageActionDescriptor>() is not null && !r.RoutePattern.RawText!.Contains("{key}", StringComparison.Ordinal) && r.RoutePattern.RawText is not ("Index" or "error")).ToList();
        Assert.InRange(pages.Count, 8, 40);
        foreach (var page in pages)
        {
            using var answer = await client.GetAsync(Address(page), cancel);
            // One address leads on to the newest delivery, and nowhere else.
            var leads = page.RoutePattern.RawText!.EndsWith("/handover", StringComparison.Ordinal);
            Assert.True(answer.StatusCode == (leads ? HttpStatusCode.Found : HttpStatusCode.OK), $"{Address(page)}: {answer.StatusCode}");
            Assert.StartsWith(leads ? "/projects/1/deliveries" : "", answer.Headers.Location?.ToString() ?? "", StringComparison.Ordinal);
            AssertHeaders(answer);
            if (page.RoutePattern.Parameters.Any(p => p.Name == "project"))
            {
                using var gone = await client.GetAsync(Address(page, 999), cancel);
                Assert.Equal(HttpStatusCode.NotFound, gone.StatusCode);
                AssertHeaders(gone);
            }
        }
        using var nowhere = await client.GetAsync("/nowhere", cancel);
        Assert.Equal(HttpStatusCode.NotFound, nowhere.StatusCode);
        AssertHeaders(nowhere);

        static void AssertHeaders(HttpResponseMessage answer)
        {
            Assert.Contains("default-src 'self'", Assert.Single(answer.Headers.GetValues("Content-Security-Policy")), StringComparison.Ordinal);
            Assert.DoesNotContain("unsafe-inline", Assert.Single(answer.Headers.GetValues("Content-Security-Policy")), StringComparison.Ordinal);
            Assert.Equal("nosniff", Assert.Single(answer.Headers.GetValues("X-Content-Type-Options")));
        }
    }

    [Fact]
    public async Task What_is_not_there_or_cannot_be_is_answered_as_such()
    {
        using var client = await ClientAsync();
        string Api(string end) => $"/api/projects/{server.Project}/{end}";
        foreach (var (end, body, expected) in new (string, object?, HttpStatusCode)[]
        {
            ("checks", null, HttpStatusCode.OK),
            ("closer/none", null, HttpStatusCode.NotFound),
            ($"designs/{server.Design}/layers/999", null, HttpStatusCode.NotFound),
            ($"bench/{server.Design}/77", null, HttpStatusCode.NotFound),
            ("edit", new { design = server.Design, screen = 0, layers = new[] { 999 }, decision = "Ship" }, HttpStatusCode.NotFound),
            ("edit", new { design = server.Design, screen = 0, layers = new[] { 1 }, decision = "Postpone" }, HttpStatusCode.BadRequest),
            ($"designs/{server.Design}/said", new { drawnAt = 7 }, HttpStatusCode.BadRequest),
            ("designs/999/said", new { name = "x" }, HttpStatusCode.NotFound),
            ("recipes", new { @do = "melt" }, HttpStatusCode.Conflict),
            ("checks/settings", new { check = "no-such-check" }, HttpStatusCode.NotFound),
            ("combine", new { design = server.Design, screen = 0, layers = new[] { 1 } }, HttpStatusCode.Conflict),
            ("builds", new { layers = new[] { new { design = 9, ordinal = 9 } } }, HttpStatusCode.Conflict),
        })
        {
            using var answer = body is null ? await client.GetAsync(Api(end), cancel) : await client.PostAsJsonAsync(Api(end), body, cancel);
            Assert.True(expected == answer.StatusCode, $"{end}: {answer.StatusCode} {await answer.Content.ReadAsStringAsync(cancel)}");
        }
        // A platform of no name that there is, which would otherwise look like the whole pack.
        using var mistyped = await client.GetAsync($"/projects/{server.Project}/builds/1.zip?platform=webb", cancel);
        Assert.Equal(HttpStatusCode.BadRequest, mistyped.StatusCode);
        Assert.Contains("android", await mistyped.Content.ReadAsStringAsync(cancel), StringComparison.Ordinal);
        using var absent = await client.GetAsync("/api/projects/999/checks", cancel);
        Assert.Equal(HttpStatusCode.NotFound, absent.StatusCode);
        Assert.Equal("application/problem+json", absent.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task Z_takes_back_what_this_browser_did_and_an_archived_project_says_that_it_is()
    {
        using var pair = new Pair(await ClientAsync("Ada"), await ClientAsync("Eve"));
        async Task<string> SayAsync(HttpClient client, string end, object body)
        {
            using var answer = await client.PostAsJsonAsync($"/api/projects/{server.Project}/{end}", body, cancel);
            return await answer.Content.ReadAsStringAsync(cancel);
        }
        object Edit(int layer, string decision) => new { design = server.Design, screen = 0, layers = new[] { layer }, decision };
        // The tests of this class run in any order: what others decided is taken for the start, not what the demo says.
        var workspace = (await server.Services.GetRequiredService<OpenProject>().LoadAsync(server.Project, cancel))!;
        await server.Services.GetRequiredService<EditLayers>().DecideAsync(new(workspace, ServerFixture.Ada), [new(server.Design, 1), new(server.Design, 2)], Decision.Leave, cancel);
        await SayAsync(pair.One, "edit", Edit(1, "Ship"));
        await SayAsync(pair.Two, "edit", Edit(2, "Code"));
        Assert.Contains("Undone: Ship bell", await SayAsync(pair.One, "undo", new { }), StringComparison.Ordinal);
        Assert.Contains("Undone: Code 1 layer", await SayAsync(pair.Two, "undo", new { }), StringComparison.Ordinal);
        Assert.Contains("nothing to undo", await SayAsync(pair.Two, "undo", new { }), StringComparison.Ordinal);
        await SayAsync(pair.One, "edit", Edit(2, "Code"));
        await SayAsync(pair.Two, "edit", Edit(2, "Leave"));
        Assert.Contains("Eve changed the same later", await SayAsync(pair.One, "undo", new { }), StringComparison.Ordinal);
        await SayAsync(pair.Two, "undo", new { });
        await SayAsync(pair.One, "undo", new { });
        await SayAsync(pair.One, "archived", new { value = true });
        Assert.Contains("is archived", await SayAsync(pair.Two, "edit", Edit(1, "Ship")), StringComparison.Ordinal);
        await SayAsync(pair.One, "archived", new { value = false });
    }

    [Fact]
    public async Task A_page_whose_connection_broke_hears_at_once_of_what_it_missed()
    {
        using var client = await ClientAsync();
        var notices = server.Services.GetRequiredService<Notices>();
        var before = notices.Last;
        var workspace = (await server.Services.GetRequiredService<OpenProject>().LoadAsync(server.Project, cancel))!;
        await server.Services.GetRequiredService<EditLayers>().DecideAsync(new(workspace, ServerFixture.Ada), [new(server.Design, 2)], Decision.Code, cancel);
        while (!notices.Concern(before, server.Project, ""))
        {
            await notices.Next.WaitAsync(TimeSpan.FromMinutes(2), cancel);
        }
        using var again = new HttpRequestMessage(HttpMethod.Get, $"/api/projects/{server.Project}/events?page=p");
        again.Headers.Add("Last-Event-ID", $"{before}");
        using var stream = await client.SendAsync(again, HttpCompletionOption.ResponseHeadersRead, cancel);
        Assert.Equal("text/event-stream", stream.Content.Headers.ContentType?.MediaType);
        using var reader = new StreamReader(await stream.Content.ReadAsStreamAsync(cancel));
        string? line;
        while ((line = await reader.ReadLineAsync(cancel)) is not null && line != "event: changed")
        {
        }
        Assert.Equal("event: changed", line);
    }

    [GeneratedRegex(@"\{([a-z]+)[^}]*\}")]
    private static partial Regex Parameter();

    private async Task<HttpClient> ClientAsync(string who = "")
    {
        var client = server.CreateClient();
        var page = await client.GetStringAsync($"/projects/{server.Project}", cancel);
        client.DefaultRequestHeaders.Add("X-Kalypto-Token", Regex.Match(page, "data-token=\"([^\"]+)\"").Groups[1].Value);
        client.DefaultRequestHeaders.Add("X-Kalypto-Who", who);
        return client;
    }

    private sealed record Pair(HttpClient One, HttpClient Two) : IDisposable
    {
        public void Dispose()
        {
            One.Dispose();
            Two.Dispose();
        }
    }
}
