// Signing in by passkey, and adding one: Web Authentication (W3C, Level 3), asked of the server and told to it as JSON.
const decode = (text) => Uint8Array.from(atob(text.replace(/-/g, "+").replace(/_/g, "/")), (c) => c.charCodeAt(0));

const encode = (buffer) =>
    btoa(String.fromCharCode(...new Uint8Array(buffer)))
        .replace(/\+/g, "-")
        .replace(/\//g, "_")
        .replace(/=+$/, "");

const withBytes = (list) => (list ?? []).map((one) => ({ ...one, id: decode(one.id) }));

const told = (credential, response) => ({
    id: credential.id,
    rawId: encode(credential.rawId),
    type: credential.type,
    response,
    clientExtensionResults: credential.getClientExtensionResults(),
    authenticatorAttachment: credential.authenticatorAttachment,
});

export function passkey() {
    return {
        failed: false,
        isKnown: "credentials" in navigator && "PublicKeyCredential" in window,
        async post(address, body) {
            const answer = await fetch(address, {
                method: "POST",
                headers: { "Content-Type": "application/json", "X-CSRF-TOKEN": this.$root.dataset.token },
                body: body && JSON.stringify(body),
            });
            if (!answer.ok) throw Object.assign(new Error(`Answered ${answer.status}`), { status: answer.status });
            return answer.json();
        },
        async use() {
            this.failed = false;
            try {
                const { challenge, allowCredentials, ...rest } = await this.post("/webauthn/authenticate/options");
                const credential = await navigator.credentials.get({
                    publicKey: { ...rest, challenge: decode(challenge), allowCredentials: withBytes(allowCredentials) },
                });
                const { authenticatorData, clientDataJSON, signature, userHandle } = credential.response;
                const done = await this.post(
                    "/login/webauthn",
                    told(credential, {
                        authenticatorData: encode(authenticatorData),
                        clientDataJSON: encode(clientDataJSON),
                        signature: encode(signature),
                        userHandle: userHandle ? encode(userHandle) : undefined,
                    }),
                );
                const form = this.$root.dataset.then;
                if (form) document.getElementById(form).submit();
                else location.assign(done.to);
            } catch {
                this.failed = true;
            }
        },
        async add() {
            this.failed = false;
            try {
                const { challenge, user, excludeCredentials, ...rest } = await this.post("/webauthn/register/options");
                const credential = await navigator.credentials.create({
                    publicKey: {
                        ...rest,
                        challenge: decode(challenge),
                        user: { ...user, id: decode(user.id) },
                        excludeCredentials: withBytes(excludeCredentials),
                    },
                });
                const { attestationObject, clientDataJSON } = credential.response;
                await this.post("/webauthn/register", {
                    publicKey: {
                        credential: told(credential, {
                            attestationObject: encode(attestationObject),
                            clientDataJSON: encode(clientDataJSON),
                            transports: credential.response.getTransports(),
                        }),
                        label: this.$root.querySelector("[data-label]").value.trim() || "Passkey",
                    },
                });
                if (this.$root.dataset.to) location.assign(this.$root.dataset.to);
                else location.reload();
            } catch (fault) {
                if (fault.status === 403) this.$root.querySelector("[data-confirm]").submit();
                else this.failed = true;
            }
        },
    };
}
