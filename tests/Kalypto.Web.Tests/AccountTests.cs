using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Kalypto.Application.People;
using Kalypto.Store;
using Kalypto.Store.People;
using Kalypto.Web.Accounts;
using Kalypto.Web.Doors;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.DependencyInjection;

namespace Kalypto.Web.Tests;

/// <summary>Accounts under attack: nobody gets in who should not, and nobody is kept out by a stranger.</summary>
public sealed partial class AccountTests(PeopleFixture server) : IClassFixture<PeopleFixture>, IDisposable
{
    private const string Wrong = "not this one at all";
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;
    private readonly List<HttpClient> clients = [];
    private static int lastNetwork = 10;

    private T Get<T>() where T : notnull => server.Services.GetRequiredService<T>();

    public void Dispose() => clients.ForEach(c => c.Dispose());

    // A browser from a network of its own, with the token of a page.
    private async Task<HttpClient> BrowserAsync(string? session = null, string? network = null, string? device = null)
    {
        var client = server.CreateClient(new() { AllowAutoRedirect = false, HandleCookies = false });
        clients.Add(client);
        client.DefaultRequestHeaders.Add(PeopleFixture.From, network ?? $"198.51.{Interlocked.Increment(ref lastNetwork)}.7");
        var cookies = new List<string>();
        if (session is not null)
        {
            cookies.Add($"{Callers.Cookie}={session}");
        }
        if (device is not null)
        {
            cookies.Add(device);
        }
        using var request = new HttpRequestMessage(HttpMethod.Get, "/welcome");
        request.Headers.Add("Cookie", cookies);
        using var page = await client.SendAsync(request, cancel);
        client.DefaultRequestHeaders.Add("X-Kalypto-Token", Token().Match(await page.Content.ReadAsStringAsync(cancel)).Groups[1].Value);
        cookies.AddRange(page.Headers.GetValues("Set-Cookie").Select(c => c.Split(';')[0]));
        client.DefaultRequestHeaders.Add("Cookie", string.Join("; ", cookies));
        return client;
    }

    private async Task<(HttpStatusCode Status, JsonNode? Body, string[] Cookies)> PostAsync(HttpClient client, string path, object body)
    {
        using var answer = await client.PostAsJsonAsync(path, body, cancel);
        var text = await answer.Content.ReadAsStringAsync(cancel);
        return (answer.StatusCode, text.Length > 0 ? JsonNode.Parse(text) : null, answer.Headers.TryGetValues("Set-Cookie", out var set) ? [.. set.Select(c => c.Split(';')[0])] : []);
    }

    private Task<(HttpStatusCode Status, JsonNode? Body, string[] Cookies)> SignInAsync(HttpClient client, string email, string password, string? code = null) =>
        PostAsync(client, "/api/coming/sign-in", new { email, password, code });

    private async Task<(int Id, string Email)> AccountAsync(string name)
    {
        using var scope = server.Services.CreateScope();
        var account = Account.Of(new(0, name, $"{name}@studio.example", ""));
        Assert.True((await scope.ServiceProvider.GetRequiredService<UserManager<Account>>().CreateAsync(account, PeopleFixture.Password)).Succeeded);
        return (account.Row.Id, account.Row.Email);
    }

    // The address and the code of the invitation that was sent last to somebody.
    private (string Secret, string Code) MailTo(string email)
    {
        var text = Get<Outbox>().Mails.First(m => m.To == email).Text;
        return (Regex.Match(text, "#(\\S+)").Groups[1].Value, Regex.Match(text, "\\d{4} \\d{4}").Value);
    }

    [Fact]
    public async Task A_changed_password_stays_changed_whatever_is_tried_meanwhile()
    {
        var (id, email) = await AccountAsync("mira");
        var session = await Get<SessionStore>().BeginAsync(id, "", null, cancel);
        var other = await Get<SessionStore>().BeginAsync(id, "", null, cancel);
        var own = await BrowserAsync(session);
        var guessing = Enumerable.Range(0, 8).Select(async _ => await SignInAsync(await BrowserAsync(), email, Wrong)).ToList();
        Assert.Equal(HttpStatusCode.OK, (await PostAsync(own, "/api/account/password", new { now = PeopleFixture.Password, next = "seven quiet telescopes" })).Status);
        await Task.WhenAll(guessing);
        Assert.Equal(HttpStatusCode.Conflict, (await SignInAsync(await BrowserAsync(), email, PeopleFixture.Password)).Status);
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(await BrowserAsync(), email, "seven quiet telescopes")).Status);
        // All other sessions ended with it.
        Assert.Equal(0, (await Get<SessionStore>().OfAsync(other, 0, cancel)).Session);
        Assert.NotEqual(0, (await Get<SessionStore>().OfAsync(session, 0, cancel)).Session);
    }

    [Fact]
    public async Task Guesses_count_before_they_are_compared_and_keep_out_nobody_but_whoever_guesses()
    {
        var (_, email) = await AccountAsync("noor");
        var first = await SignInAsync(await BrowserAsync(), email, PeopleFixture.Password);
        var device = first.Cookies.Single(c => c.StartsWith("kalypto-device", StringComparison.Ordinal));
        // Many at once from one network, and the right password among them too late.
        var network = "203.0.113.9";
        var browsers = await Task.WhenAll(Enumerable.Range(0, 25).Select(_ => BrowserAsync(network: network)));
        var before = Get<HashCount>().Verified;
        await Task.WhenAll(browsers.Select(b => SignInAsync(b, email, Wrong)));
        Assert.Equal(25, Get<HashCount>().Verified - before);
        Assert.Equal(HttpStatusCode.Conflict, (await SignInAsync(browsers[0], email, PeopleFixture.Password)).Status);
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(await BrowserAsync(), email, PeopleFixture.Password)).Status);
        // Guessed from everywhere: whoever is known still gets in, and a stranger with the right password does not.
        for (var i = 0; i < 60; i++)
        {
            await Get<TryStore>().BeginAsync(TryStore.OfAccount(email), $"203.0.114.{i}", null, cancel);
        }
        Assert.Equal(HttpStatusCode.Conflict, (await SignInAsync(await BrowserAsync(), email, PeopleFixture.Password)).Status);
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(await BrowserAsync(device: device), email, PeopleFixture.Password)).Status);
    }

    [Fact]
    public async Task Whether_there_is_an_account_costs_the_same_work()
    {
        var (id, email) = await AccountAsync("ruth");
        await Get<PeopleStore>().ShutAsync(id, DateTime.UtcNow, cancel);
        foreach (var tried in new[] { "nobody@studio.example", email, "guest@observatory.example" })
        {
            for (var tries = 0; tries < TryStore.FromNetwork + 2; tries++)
            {
                var browser = await BrowserAsync(network: "203.0.115.1");
                var before = Get<HashCount>().Verified;
                Assert.Equal(HttpStatusCode.Conflict, (await SignInAsync(browser, tried, Wrong)).Status);
                Assert.Equal(1, Get<HashCount>().Verified - before);
            }
        }
    }

    [Theory]
    [InlineData("2001:db8:1:2:3::1", "2001:db8:1:2:ffff::9", true)]
    [InlineData("2001:db8:1:2::1", "2001:db8:1:3::1", false)]
    [InlineData("192.0.2.1", "192.0.2.2", false)]
    [InlineData("::ffff:192.0.2.1", "192.0.2.1", true)]
    public void A_customer_is_one_network(string one, string other, bool same) => Assert.Equal(same, Network.Of(IPAddress.Parse(one)) == Network.Of(IPAddress.Parse(other)));

    [Theory]
    [InlineData("password12", true)]
    [InlineData("1234567890", true)]
    [InlineData("qwertyuiop", true)]
    [InlineData("ines@observatory.example", true)]
    [InlineData("short", true)]
    [InlineData("under the dome at night", false)]
    public void A_password_is_none_that_everybody_tries_first(string password, bool isWrong) => Assert.Equal(isWrong, Passwords.WrongIn(password, "ines@observatory.example", "Ines") is not null);

    [Fact]
    public async Task An_invitation_belongs_to_its_address_and_whoever_is_invited_accepts()
    {
        var author = new Author(server.Project, server.ActorOf("owner"));
        var (known, email) = await AccountAsync("tara");
        Task<Invite.Outcome> InviteAsync(string whom, Role role) => Get<Invite>().IntoAsync(author, "Larkrise", whom, role, s => $"http://here/welcome#{s}", cancel);
        async Task<Role> RoleAsync(int person) => (await Get<MemberStore>().ListAsync(server.Project, cancel)).SingleOrDefault(m => m.Person == person)?.Role ?? Role.None;
        // Somebody with an account is asked like anybody else.
        Assert.True((await InviteAsync(email, Role.Developer)).Done.IsDone);
        Assert.Equal(Role.None, await RoleAsync(known));
        var (secret, code) = MailTo(email);
        var take = new { secret, name = "Mallory", email = "mallory@studio.example", password = "nine loud microscopes", code };
        Assert.Equal(HttpStatusCode.Conflict, (await PostAsync(await BrowserAsync(), "/api/coming/invitation/taken", take)).Status);
        var stranger = await BrowserAsync(await Get<SessionStore>().BeginAsync(server.People["stranger"], "", null, cancel));
        Assert.Equal(HttpStatusCode.Conflict, (await PostAsync(stranger, "/api/coming/invitation/taken", take)).Status);
        var tara = await BrowserAsync(await Get<SessionStore>().BeginAsync(known, "", null, cancel));
        Assert.Equal(HttpStatusCode.OK, (await PostAsync(tara, "/api/coming/invitation/taken", new { secret })).Status);
        Assert.Equal(Role.Developer, await RoleAsync(known));
        // One with fewer rights takes none away.
        Assert.True((await InviteAsync(email, Role.Guest)).Done.IsDone);
        Assert.Equal(HttpStatusCode.OK, (await PostAsync(tara, "/api/coming/invitation/taken", new { secret = MailTo(email).Secret })).Status);
        Assert.Equal(Role.Developer, await RoleAsync(known));

        // A new account is of the address that was invited, and only for whoever reads its mail.
        Assert.True((await InviteAsync("new@studio.example", Role.Guest)).Done.IsDone);
        (secret, code) = MailTo("new@studio.example");
        object As(string typed) => new { secret, name = "Mallory", email = "owner2@observatory.example", password = "nine loud microscopes", code = typed };
        Assert.Equal(HttpStatusCode.Conflict, (await PostAsync(await BrowserAsync(), "/api/coming/invitation/taken", As("0000 0000"))).Status);
        Assert.Equal(HttpStatusCode.OK, (await PostAsync(await BrowserAsync(), "/api/coming/invitation/taken", As(code))).Status);
        Assert.Null(await Get<PeopleStore>().OfEmailAsync("owner2@observatory.example", cancel));
        Assert.NotNull(await Get<PeopleStore>().OfEmailAsync("new@studio.example", cancel));
        // Codes are not guessed.
        Assert.True((await InviteAsync("newer@studio.example", Role.Guest)).Done.IsDone);
        (secret, code) = MailTo("newer@studio.example");
        for (var tries = 0; tries < InvitationStore.MostCodes; tries++)
        {
            Assert.Equal(HttpStatusCode.Conflict, (await PostAsync(await BrowserAsync(), "/api/coming/invitation/taken", As("1111 1111"))).Status);
        }
        Assert.Equal(HttpStatusCode.Conflict, (await PostAsync(await BrowserAsync(), "/api/coming/invitation/taken", As(code))).Status);
    }

    [Fact]
    public async Task An_owner_who_was_removed_comes_back_by_no_invitation_of_their_own()
    {
        var (project, _) = await server.BringAsync(server.ActorOf("owner"));
        var owner = new Author(project, server.ActorOf("owner"));
        var (second, _) = await AccountAsync("vera");
        await Get<MemberStore>().SayAsync(owner, second, Role.Owner, "Make vera owner", cancel);
        var vera = new Author(project, new Actor(Invite.ActorOf(second), "vera") { Person = second });
        Assert.True((await Get<Invite>().IntoAsync(vera, "Larkrise", "back@studio.example", Role.Owner, s => $"http://here/welcome#{s}", cancel)).Done.IsDone);
        var (secret, _) = MailTo("back@studio.example");
        Assert.NotNull(await Get<InvitationStore>().OfSecretAsync(secret, cancel));
        var session = await Get<SessionStore>().BeginAsync(second, "", null, cancel);
        Assert.True((await Get<MemberStore>().SayAsync(owner, second, Role.Developer, "Make vera developer", cancel)).IsDone);
        Assert.Null(await Get<InvitationStore>().OfSecretAsync(secret, cancel));
        Assert.Equal(0, (await Get<SessionStore>().OfAsync(session, project, cancel)).Session);
        // What somebody was when a page was opened counts for nothing when they change something.
        Assert.Equal(StepState.Forbidden, (await Get<EditStore>().MakeAsync(vera with { Actor = vera.Actor with { Role = Role.Owner } }, new("Rename") { Fields = [FieldChange.ProjectName(project, "mine")] }, cancel)).State);
        Assert.Equal(StepState.Forbidden, (await Get<Invite>().IntoAsync(vera, "Larkrise", "x@studio.example", Role.Owner, s => s, cancel)).Done.State);
        // Where the only owner cannot come in any more, whoever looks after the server can appoint another.
        await Get<PeopleStore>().ShutAsync(server.People["owner"], DateTime.UtcNow, cancel);
        try
        {
            var keeper = new Author(project, server.ActorOf("keeper"));
            Assert.True((await Get<MemberStore>().SayAsync(keeper, second, Role.Owner, "Make vera owner", cancel)).IsDone);
            Assert.Equal(StepState.Forbidden, (await Get<MemberStore>().SayAsync(keeper, second, Role.Guest, "", cancel)).State);
        }
        finally
        {
            await Get<PeopleStore>().ShutAsync(server.People["owner"], null, cancel);
        }
    }

    [Fact]
    public async Task A_link_password_is_slowed_and_a_planted_session_learns_nothing_of_a_link()
    {
        var hash = new PasswordHasher<Account>().HashPassword(Account.Of(new(0, "", "", "")), "red giant star");
        var (secret, _) = await Get<ShareLinks>().MakeAsync(new(server.Project, server.ActorOf("owner")), "slowed", Role.Guest, null, null, hash, cancel);
        var planted = await Get<SessionStore>().BeginAsync(server.People["stranger"], "", null, cancel);
        var visitor = await BrowserAsync(planted);
        for (var tries = 0; tries < TryStore.FromNetwork; tries++)
        {
            Assert.True((await PostAsync(visitor, "/api/coming/link", new { secret, password = Wrong })).Body!["needsPassword"]!.GetValue<bool>());
        }
        Assert.NotNull((await PostAsync(visitor, "/api/coming/link", new { secret, password = "red giant star" })).Body!["needsPassword"]);
        var other = await BrowserAsync(planted);
        var opened = await PostAsync(other, "/api/coming/link", new { secret, password = "red giant star" });
        Assert.NotNull(opened.Body!["href"]);
        Assert.Equal(0, (await Get<SessionStore>().OfAsync(planted, server.Project, cancel)).Session);
        var fresh = opened.Cookies.Single(c => c.StartsWith($"{Callers.Cookie}=", StringComparison.Ordinal))[(Callers.Cookie.Length + 1)..];
        Assert.Equal(Role.Guest, (await Get<SessionStore>().OfAsync(fresh, server.Project, cancel)).Role);
        Assert.NotNull(Passwords.WrongInLink("a"));
        Assert.Null(Passwords.WrongInLink("white dwarf star"));
    }

    [Fact]
    public async Task A_second_factor_is_asked_for_works_once_and_a_project_can_demand_it()
    {
        var (id, email) = await AccountAsync("wren");
        var (project, _) = await server.BringAsync(server.ActorOf("owner"));
        var owner = new Author(project, server.ActorOf("owner"));
        await Get<MemberStore>().SayAsync(owner, id, Role.Designer, "Make wren designer", cancel);
        var session = await Get<SessionStore>().BeginAsync(id, "", null, cancel);
        var wren = await BrowserAsync(session);
        Assert.True((await Get<MemberStore>().RequireSecondFactorAsync(owner, true, "Require a second factor", cancel)).IsDone);
        using (var refused = await wren.GetAsync($"/projects/{project}", cancel))
        {
            Assert.Equal("second factor", refused.Headers.GetValues("X-Refused").Single());
        }
        var offer = (await PostAsync(wren, "/api/account/second-factor/begun", new { })).Body!;
        Assert.StartsWith("data:image/svg+xml", offer["picture"]!.GetValue<string>(), StringComparison.Ordinal);
        var key = offer["key"]!.GetValue<string>().Replace(" ", "", StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.Conflict, (await PostAsync(wren, "/api/account/second-factor", new { code = "000000" })).Status);
        // The code of this moment; where the moment passes on the way the next one is taken.
        var codes = (await PostAsync(wren, "/api/account/second-factor", new { code = Totp.Now(key) })).Body?["codes"] ?? (await PostAsync(wren, "/api/account/second-factor", new { code = Totp.Now(key) })).Body!["codes"]!;
        Assert.Equal(10, codes.AsArray().Count);
        using (var open = await wren.GetAsync($"/projects/{project}", cancel))
        {
            Assert.Equal(HttpStatusCode.OK, open.StatusCode);
        }
        var browser = await BrowserAsync();
        var half = await SignInAsync(browser, email, PeopleFixture.Password);
        Assert.True(half.Body!["needsCode"]!.GetValue<bool>());
        Assert.DoesNotContain(half.Cookies, c => c.StartsWith(Callers.Cookie, StringComparison.Ordinal));
        // A code that was seen is used up, and so is a recovery code.
        Assert.Equal(HttpStatusCode.Conflict, (await SignInAsync(browser, email, PeopleFixture.Password, Totp.Last)).Status);
        var recovery = codes[0]!.GetValue<string>();
        Assert.Equal(HttpStatusCode.OK, (await SignInAsync(await BrowserAsync(), email, PeopleFixture.Password, recovery)).Status);
        Assert.Equal(HttpStatusCode.Conflict, (await SignInAsync(await BrowserAsync(), email, PeopleFixture.Password, recovery)).Status);
        Assert.DoesNotContain(key, (await Get<PeopleStore>().FindAsync(id, cancel))!.Authenticator, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_log_tells_who_came_in_and_who_did_not_and_nobody_changes_it()
    {
        var (_, email) = await AccountAsync("xena");
        await SignInAsync(await BrowserAsync(network: "203.0.116.5"), email, Wrong);
        await SignInAsync(await BrowserAsync(network: "203.0.116.6"), email, PeopleFixture.Password);
        var owner = await BrowserAsync(await Get<SessionStore>().BeginAsync(server.People["owner"], "", null, cancel));
        Assert.Equal(HttpStatusCode.OK, (await PostAsync(owner, $"/api/projects/{server.Project}/team/invitations", new { email = "yann@studio.example", role = "Guest" })).Status);
        using var zip = await owner.GetAsync($"/projects/{server.Project}/builds/{server.Build}.zip", cancel);
        Assert.Equal("no-store", zip.Headers.CacheControl?.ToString());
        var keeper = await BrowserAsync(await Get<SessionStore>().BeginAsync(server.People["keeper"], "", null, cancel));
        var all = (await keeper.GetStringAsync("/log.jsonl", cancel)).Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => JsonNode.Parse(l)!).ToList();
        string Row(JsonNode row) => $"{row["event"]} {row["who"]} {row["network"]} {row["about"]}";
        Assert.Contains($"SignInFailed  203.0.116.5 {email}", all.Select(Row));
        Assert.Contains($"SignedIn xena 203.0.116.6 {email}", all.Select(Row));
        var ofProject = (await owner.GetStringAsync($"/projects/{server.Project}/log.jsonl", cancel)).Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => JsonNode.Parse(l)!).ToList();
        Assert.Contains(ofProject, r => Row(r).EndsWith("yann@studio.example as guest", StringComparison.Ordinal));
        Assert.Contains(ofProject, r => r["event"]!.GetValue<string>() == "DeliveryDownloaded");
        Assert.All(ofProject, r => Assert.Equal(server.Project, r["project"]!.GetValue<int>()));
        Assert.Contains("yann@studio.example", await owner.GetStringAsync($"/projects/{server.Project}/log?words=yann", cancel), StringComparison.Ordinal);
        foreach (var sql in new[] { "update audit set who = 'nobody'", "delete from audit", "truncate audit" })
        {
            await using var command = Get<Database>().Source.CreateCommand(sql);
            await Assert.ThrowsAsync<Npgsql.PostgresException>(() => command.ExecuteNonQueryAsync(cancel));
        }
    }

    [GeneratedRegex("data-token=\"([^\"]+)\"")]
    private static partial Regex Token();
}
