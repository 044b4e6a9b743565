using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Kalypto.Web.Tests;

/// <summary>Whatever is sent to whichever route, the answer says what is wrong and never that Kalypto broke.</summary>
public partial class AnswerTests(ServerFixture server)
{
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    // What pages send, each wrong in one way: missing, null, of another type, beyond all bounds, half characters.
    private static readonly string[] Values = ["null", "-1", "2147483647", "99999999999999999999", "1e400", "\"\"", "\"\\u0000\\ud83c\"", "[]", "[null]", "{}", "true"];

    private static readonly string[] Names =
    [
        "design", "screen", "since", "layers", "decision", "name", "tags", "without", "box", "dismissed", "apart", "rule", "kind", "atLeast", "find", "replace", "isExpression", "style", "start",
        "suggest", "check", "layer", "severity", "isOn", "about", "reason", "again", "line", "field", "value", "do", "json", "weight", "from", "platform", "on", "keys", "draft", "same", "lineage",
        "undo", "by", "drawnAt", "root", "to", "description", "root", "folder", "follows", "number", "leave", "overwrite", "everywhere", "copyright",
        "state", "words", "x", "y", "text", "hasAgreed", "secret", "password", "email", "role", "label", "delivery", "days", "now", "next", "isKeeper",
    ];

    private static IEnumerable<string> Bodies()
    {
        foreach (var whole in new[] { "", "{}", "[]", "null", "{", "\"text\"", "{\"name\":" })
        {
            yield return whole;
        }
        foreach (var value in Values)
        {
            yield return $"{{{string.Join(',', Names.Distinct().Select(n => $"\"{n}\":{value}"))}}}";
        }
        // As a page would send it, with words beyond all bounds.
        yield return JsonSerializer.Serialize(new { design = 1, screen = 0, layers = new[] { 1, 2, 99999 }, decision = 99, name = new string('n', 300_000), tags = string.Join(' ', Enumerable.Range(0, 20_000).Select(i => $"w{i}")) });
        yield return JsonSerializer.Serialize(new { design = 1, screen = 0, layers = Array.Empty<int>(), find = "(a+)+$", replace = "{name}", isExpression = true, @do = "import", json = "{\"kinds\":[null],\"copyright\":null}", kind = "x", tags = "icon" });
        yield return JsonSerializer.Serialize(new { @do = "split", by = "nothing", root = 99, name = "x", rule = "none", check = "none", style = "AsTyped" });
    }

    [Fact]
    public async Task No_body_breaks_any_route_and_every_refusal_is_a_problem_with_its_remedy()
    {
        using var client = server.CreateClient(new() { AllowAutoRedirect = false });
        client.DefaultRequestHeaders.Add("X-Kalypto-Token", Token().Match(await client.GetStringAsync("/", cancel)).Groups[1].Value);
        var project = JsonNode.Parse(await (await SendAsync(client, "/api/projects/new", "{\"name\":\"Northlight\"}")).Content.ReadAsStringAsync(cancel))!["project"]!.GetValue<int>();
        // Of its own: some bodies are taken and change it.
        var (filled, design) = await server.BringAsync();
        var routes = server.Services.GetServices<EndpointDataSource>().SelectMany(s => s.Endpoints).OfType<RouteEndpoint>()
            .Where(r => r.RoutePattern.RawText!.StartsWith("/api", StringComparison.Ordinal) && r.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods is ["POST"])
            // Away, the project would answer everything alike.
            .Where(r => !r.RoutePattern.RawText!.EndsWith("/deleted", StringComparison.Ordinal) && !r.RoutePattern.RawText!.EndsWith("/archived", StringComparison.Ordinal)).ToList();
        Assert.InRange(routes.Count, 30, 200);
        var wrong = new List<string>();
        foreach (var route in routes)
        {
            foreach (var own in new[] { filled, project })
            {
                var address = "/" + Parameter().Replace(route.RoutePattern.RawText!.TrimStart('/'), found => found.Groups[1].Value == "project" ? $"{own}" : found.Groups[1].Value == "design" ? $"{design}" : found.Groups[1].Value == "screen" ? "0" : "1");
                foreach (var body in Bodies())
                {
                    using var answer = await SendAsync(client, address, body);
                    var text = await answer.Content.ReadAsStringAsync(cancel);
                    var isRefused = (int)answer.StatusCode >= 400;
                    if ((int)answer.StatusCode >= 500 || isRefused && (answer.Content.Headers.ContentType?.MediaType != "application/problem+json" || JsonNode.Parse(text)!["detail"]?.GetValue<string>().Length is not > 20))
                    {
                        wrong.Add($"{address} answers {(int)answer.StatusCode} to {body[..Math.Min(body.Length, 200)]}: {text[..Math.Min(text.Length, 200)]}");
                        break;
                    }
                }
            }
        }
        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
    }

    [Fact]
    public async Task Only_pages_of_this_server_are_answered_and_only_under_its_own_names()
    {
        using var client = server.CreateClient(new() { AllowAutoRedirect = false });
        async Task<HttpStatusCode> AskAsync(string path, params (string Name, string Value)[] headers)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, path);
            foreach (var (name, value) in headers)
            {
                request.Headers.TryAddWithoutValidation(name, value);
            }
            using var answer = await client.SendAsync(request, cancel);
            return answer.StatusCode;
        }
        Assert.Equal(HttpStatusCode.OK, await AskAsync("/"));
        Assert.Equal(HttpStatusCode.BadRequest, await AskAsync("/", ("Host", "kalypto.example.org")));
        Assert.Equal(HttpStatusCode.OK, await AskAsync("/", ("Host", "127.0.0.1:5170")));
        Assert.Equal(HttpStatusCode.Forbidden, await AskAsync($"/api/projects/{server.Project}/pack", ("Origin", "http://localhost:81")));
        Assert.Equal(HttpStatusCode.Forbidden, await AskAsync($"/pictures/{server.Project}/{server.Design}/board.png", ("Sec-Fetch-Site", "cross-site"), ("Sec-Fetch-Mode", "no-cors"), ("Sec-Fetch-Dest", "image")));
        Assert.Equal(HttpStatusCode.OK, await AskAsync("/", ("Sec-Fetch-Site", "cross-site"), ("Sec-Fetch-Mode", "navigate"), ("Sec-Fetch-Dest", "document")));
        Assert.Equal(HttpStatusCode.Forbidden, await AskAsync("/", ("Sec-Fetch-Site", "cross-site"), ("Sec-Fetch-Mode", "navigate"), ("Sec-Fetch-Dest", "iframe")));
        Assert.Equal(HttpStatusCode.OK, await AskAsync($"/api/projects/{server.Project}/pack", ("Origin", "http://localhost"), ("Sec-Fetch-Site", "same-origin")));
        Assert.Equal(HttpStatusCode.OK, await AskAsync("/health"));
    }

    private async Task<HttpResponseMessage> SendAsync(HttpClient client, string address, string body) =>
        await client.PostAsync(address, new StringContent(body, Encoding.UTF8, "application/json"), cancel);

    [GeneratedRegex("data-token=\"([^\"]+)\"")]
    private static partial Regex Token();

    [GeneratedRegex(@"\{(\w+)(?::\w+)?\}")]
    private static partial Regex Parameter();
}
